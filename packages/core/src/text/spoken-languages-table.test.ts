import { describe, expect, it } from 'vitest'
import { spokenText } from './spoken.ts'

// How each is read aloud: common practice, written down from memory; where people say it in more
// than one way, one of them. `|` parts what is written from what is said.
const TABLES = {
  de: `
    am 3. Mai|am dritten Mai
    der 3. Mai|der dritte Mai
    im 19. Jahrhundert|im neunzehnten Jahrhundert
    der 1. Weltkrieg|der erste Weltkrieg
    Ludwig XIV. baute|Ludwig der Vierzehnte baute
    Elisabeth II. kam|Elisabeth die Zweite kam
    im Jahr 1989|im Jahr neunzehnhundertneunundachtzig
    im Jahr 2024|im Jahr zweitausendvierundzwanzig
    die 1920er Jahre|die neunzehnhundertzwanziger Jahre
    in den 60er Jahren|in den sechziger Jahren
    1939–1945|neunzehnhundertneununddreißig bis neunzehnhundertfünfundvierzig
    44 v. Chr. starb er|vierundvierzig vor Christus starb er
    79 n. Chr. brach er aus|neunundsiebzig nach Christus brach er aus
    um 14:30 Uhr|um vierzehn Uhr dreißig
    um 1:05 Uhr|um ein Uhr fünf
    um 8 Uhr|um acht Uhr
    3/4 der Fläche|drei Viertel der Fläche
    1/3 davon|ein Drittel davon
    2½ Stunden|zweieinhalb Stunden
    5 km weit|fünf Kilometer weit
    1 km weit|ein Kilometer weit
    3,5 m hoch|drei komma fünf Meter hoch
    80 km/h schnell|achtzig Kilometer pro Stunde schnell
    bei 20 °C|bei zwanzig Grad Celsius
    bei -5 °C|bei minus fünf Grad Celsius
    12 m² groß|zwölf Quadratmeter groß
    3 m³ Wasser|drei Kubikmeter Wasser
    250 ml Milch|zweihundertfünfzig Milliliter Milch
    60 kWh Strom|sechzig Kilowattstunden Strom
    230 V und 50 Hz|zweihundertdreißig Volt und fünfzig Hertz
    10 ha Wald|zehn Hektar Wald
    ein Winkel von 90°|ein Winkel von neunzig Grad
    eine 5-km-Strecke|eine Fünf-Kilometer-Strecke
    ein 5-Euro-Schein|ein Fünf-Euro-Schein
    kostet 5 €|kostet fünf Euro
    kostet 1 €|kostet ein Euro
    kostet 2,50 €|kostet zwei Euro fünfzig
    3 Mio. € teuer|drei Millionen Euro teuer
    1,5 Mrd. Euro|eins komma fünf Milliarden Euro
    50 ct|fünfzig Cent
    50 % davon|fünfzig Prozent davon
    5 ‰ Salz|fünf Promille Salz
    5–10 km|fünf bis zehn Kilometer
    es stand 3:1|es stand drei zu eins
    im Maßstab 1:25.000|im Maßstab eins zu fünfundzwanzigtausend
    z. B. ein Boot|zum Beispiel ein Boot
    u. a. ein Boot|unter anderem ein Boot
    Prof. Kern|Professor Kern
    Nr. 5|Nummer fünf
    S. 12|Seite zwölf
    § 5|Paragraf fünf
    1.234 Boote|eintausendzweihundertvierunddreißig Boote
    1.000.000 Menschen|eine Million Menschen
    CO₂ in der Luft|C O zwei in der Luft
    post@tide.de|post ät tide Punkt de
    www.tide.de|w w w Punkt tide Punkt de
    die Nummer 007|die Nummer null null sieben
    Der Zug fährt um 6:12 Uhr ab.|Der Zug fährt um sechs Uhr zwölf ab.
    Am 24. Dezember 1818 sang man es.|Am vierundzwanzigsten Dezember achtzehnhundertachtzehn sang man es.
    Papst Johannes XXIII. lächelte.|Papst Johannes der Dreiundzwanzigste lächelte.
    Das Schiff ist 1,2 km lang.|Das Schiff ist eins komma zwei Kilometer lang.
    Es wiegt 21 t.|Es wiegt einundzwanzig Tonnen.
    Sie zahlte 0,99 €.|Sie zahlte null Euro neunundneunzig.
    Etwa 1/4 aller Fische.|Etwa ein Viertel aller Fische.
    Die 2. Schleuse öffnet.|Die zweite Schleuse öffnet.
    Er schwamm 10,5 km weit.|Er schwamm zehn komma fünf Kilometer weit.
    Von 5 bis 10 °C.|Von fünf bis zehn Grad Celsius.
    In den 1870er Jahren.|In den achtzehnhundertsiebziger Jahren.
    H₂O ist Wasser.|H zwei O ist Wasser.
    Ein 100-Meter-Lauf.|Ein Einhundert-Meter-Lauf.
    Im Jahr 1100 und 2001.|Im Jahr elfhundert und zweitausendeins.
    Seite 3 von 10.|Seite drei von zehn.
  `,
  fr: `
    le 1er mai|le premier mai
    la 1re fois|la première fois
    le 3 mai|le trois mai
    le 2e étage|le deuxième étage
    au XIXe siècle|au dix-neuvième siècle
    au XIXᵉ siècle|au dix-neuvième siècle
    Louis XIV régna|Louis quatorze régna
    François Ier régna|François premier régna
    Napoléon III régna|Napoléon trois régna
    en 1789|en mille sept cent quatre-vingt-neuf
    en 2024|en deux mille vingt-quatre
    les années 60|les années soixante
    1939-1945|mille neuf cent trente-neuf à mille neuf cent quarante-cinq
    en 44 av. J.-C.|en quarante-quatre avant Jésus-Christ
    en 79 apr. J.-C.|en soixante-dix-neuf après Jésus-Christ
    à 14h30|à quatorze heures trente
    à 8 h|à huit heures
    à 1h05|à une heure cinq
    à 9h00|à neuf heures
    3/4 de la mer|trois quarts de la mer
    1/3 de la mer|un tiers de la mer
    2/3 de la mer|deux tiers de la mer
    5 km plus loin|cinq kilomètres plus loin
    1 km plus loin|un kilomètre plus loin
    3,5 m de haut|trois virgule cinq mètres de haut
    1,5 km plus loin|un virgule cinq kilomètre plus loin
    12 m² de voile|douze mètres carrés de voile
    3 m³ d’eau|trois mètres cubes d’eau
    à 80 km/h|à quatre-vingts kilomètres heure
    par 20 °C|par vingt degrés
    par -5 °C|par moins cinq degrés
    un angle de 90°|un angle de quatre-vingt-dix degrés
    250 ml de lait|deux cent cinquante millilitres de lait
    5 kW|cinq kilowatts
    10 ha de forêt|dix hectares de forêt
    1 t de pierre|une tonne de pierre
    230 V|deux cent trente volts
    une pièce de 2 €|une pièce de deux euros
    1 € la pièce|un euro la pièce
    2,50 € la pièce|deux euros cinquante la pièce
    3 M€ de travaux|trois millions d’euros de travaux
    20 $|vingt dollars
    50 % des gens|cinquante pour cent des gens
    3,5 % des gens|trois virgule cinq pour cent des gens
    5-10 km|cinq à dix kilomètres
    M. Dupont|monsieur Dupont
    Mlle Dupont|mademoiselle Dupont
    le Dr Dupont|le docteur Dupont
    n° 5|numéro cinq
    p. 12|page douze
    c.-à-d. la mer|c’est-à-dire la mer
    CO₂ et eau|C O deux et eau
    poste@mer.fr|poste arobase mer point fr
    www.mer.fr|w w w point mer point fr
    1 234 bateaux|mille deux cent trente-quatre bateaux
    1 000 000 de gens|un million de gens
    le 007|le zéro zéro sept
    Le train part à 6h12.|Le train part à six heures douze.
    Le 24 décembre 1818.|Le vingt-quatre décembre mille huit cent dix-huit.
    Le pape Jean XXIII sourit.|Le pape Jean vingt-trois sourit.
    Le navire mesure 1,2 km.|Le navire mesure un virgule deux kilomètre.
    Il pèse 21 t.|Il pèse vingt et une tonnes.
    Elle paya 0,99 €.|Elle paya zéro euro quatre-vingt-dix-neuf.
    Environ 1/4 des poissons.|Environ un quart des poissons.
    La 2e écluse s’ouvre.|La deuxième écluse s’ouvre.
    Il est 21h.|Il est vingt et une heures.
    De 5 à 10 °C.|De cinq à dix degrés.
    Dans les années 1870.|Dans les années mille huit cent soixante-dix.
    H₂O est de l’eau.|H deux O est de l’eau.
    Au XXIe siècle.|Au vingt et unième siècle.
    Le 1er et le 2e.|Le premier et le deuxième.
    80 % des 200 habitants.|quatre-vingts pour cent des deux cents habitants.
  `,
  es: `
    el 3 de mayo|el tres de mayo
    la 1.ª vez|la primera vez
    el 2.º piso|el segundo piso
    el siglo XIX|el siglo diecinueve
    los siglos XV y XVI|los siglos quince y dieciséis
    Felipe II reinó|Felipe segundo reinó
    Carlos V reinó|Carlos quinto reinó
    Alfonso XIII reinó|Alfonso trece reinó
    en 1492|en mil cuatrocientos noventa y dos
    en 2024|en dos mil veinticuatro
    los años 60|los años sesenta
    1939-1945|mil novecientos treinta y nueve a mil novecientos cuarenta y cinco
    en 44 a. C.|en cuarenta y cuatro antes de Cristo
    en 79 d. C.|en setenta y nueve después de Cristo
    a las 14:30|a las catorce y treinta
    a las 8:05|a las ocho y cinco
    a las 8:00|a las ocho
    a la 1:10|a la una y diez
    3/4 del mar|tres cuartos del mar
    1/3 del mar|un tercio del mar
    2/3 del mar|dos tercios del mar
    5 km más|cinco kilómetros más
    1 km más|un kilómetro más
    21 km más|veintiún kilómetros más
    31 m de alto|treinta y un metros de alto
    3,5 m de alto|tres coma cinco metros de alto
    12 m² de vela|doce metros cuadrados de vela
    3 m³ de agua|tres metros cúbicos de agua
    a 80 km/h|a ochenta kilómetros por hora
    a 20 °C|a veinte grados
    a -5 °C|a menos cinco grados
    un ángulo de 90°|un ángulo de noventa grados
    250 ml de leche|doscientos cincuenta mililitros de leche
    5 kW|cinco kilovatios
    10 ha de bosque|diez hectáreas de bosque
    1 t de piedra|una tonelada de piedra
    230 V|doscientos treinta voltios
    una moneda de 2 €|una moneda de dos euros
    1 € cada uno|un euro cada uno
    2,50 € cada uno|dos euros con cincuenta cada uno
    3 M€ de obras|tres millones de euros de obras
    20 $|veinte dólares
    50 % de todos|cincuenta por ciento de todos
    3,5 % de todos|tres coma cinco por ciento de todos
    5-10 km|cinco a diez kilómetros
    el Sr. Ruiz|el señor Ruiz
    la Srta. Ruiz|la señorita Ruiz
    la Dra. Ruiz|la doctora Ruiz
    n.º 5|número cinco
    pág. 12|página doce
    en EE. UU. hoy|en Estados Unidos hoy
    a escala 1:25.000|a escala uno a veinticinco mil
    CO₂ y agua|C O dos y agua
    correo@mar.es|correo arroba mar punto es
    www.mar.es|uve doble uve doble uve doble punto mar punto es
    1.234 barcos|mil doscientos treinta y cuatro barcos
    1.000.000 de personas|un millón de personas
    el 007|el cero cero siete
    El tren sale a las 6:12.|El tren sale a las seis y doce.
    El 24 de diciembre de 1818.|El veinticuatro de diciembre de mil ochocientos dieciocho.
    El papa Juan XXIII sonrió.|El papa Juan veintitrés sonrió.
    El barco mide 1,2 km.|El barco mide uno coma dos kilómetros.
    Pesa 21 t.|Pesa veintiuna toneladas.
    Pagó 0,99 €.|Pagó cero euros con noventa y nueve.
    Cerca de 1/4 de los peces.|Cerca de un cuarto de los peces.
    La 2.ª esclusa se abre.|La segunda esclusa se abre.
    Isabel II llegó.|Isabel segunda llegó.
    De 5 a 10 °C.|De cinco a diez grados.
    En los años 1870.|En los años mil ochocientos setenta.
    H₂O es agua.|H dos O es agua.
    En el siglo XXI.|En el siglo veintiuno.
    Son 31 barcos.|Son treinta y un barcos.
    Hay 100 casas y 101 perros.|Hay cien casas y ciento un perros.
  `,
}

describe.each(Object.entries(TABLES))('spokenText in %s', (language, table) => {
  const rows = table.split('\n').flatMap((line): [string, string][] => {
    const [written, said] = line.trim().split('|')
    return written && said ? [[written, said]] : []
  })
  it('has over fifty cases', () => expect(rows.length).toBeGreaterThan(50))
  it.each(rows)('%s', (written, said) => {
    expect(spokenText(written, { language })).toBe(said)
  })
})
