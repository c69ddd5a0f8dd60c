import type { Time } from './paint/light.ts'
import type { Act } from './paint/subject.ts'

/**
 * One painted thing: its drawing, what people call it, where it stands, what it does, words it is
 * looked for by.
 */
export interface Subject {
  drawing: string
  name: string
  places: readonly string[]
  act: Act
  tags: readonly string[]
}

const row = (line: string): Subject => {
  const [drawing, name, places, act, tags = ''] = line.split('|').map((part) => part.trim())
  return {
    drawing: drawing!,
    name: name!,
    places: places!.split(' '),
    act: act as Act,
    tags: tags.split(' ').filter(Boolean),
  }
}

/** drawing | name | places | act | tags — every name says what the drawing shows, no more. */
export const SUBJECTS: readonly Subject[] = `
sailboat|a sailing boat|sea harbour|bob|boat sail sailing yacht wind ship
ferry|a ferry|sea harbour storm|bob|ship boat passenger crossing
motor-boat|a motor boat|harbour sea|bob|boat engine
speedboat|a speedboat|sea|bob|boat fast
ship|a ship|sea storm|bob|vessel ocean voyage cargo
passenger-ship|a passenger ship|sea|bob|liner cruise ocean
canoe|a canoe|river|bob|boat paddle
anchor|an anchor|beach plain|still|ship iron harbor
ring-buoy|a life buoy|beach|still|rescue safety swim
fishing-pole|a fishing rod with its catch|river sea|bob|fishing fish hook angler
spiral-shell|a sea shell|beach plain|still|shell snail sea
crab|a crab|beach|sway|sea animal shore
lobster|a lobster|underwater|swim|sea animal shellfish
octopus|an octopus|underwater|swim|sea animal tentacle
squid|a squid|underwater|swim|sea animal
fish|a fish|underwater|swim|sea animal water
tropical-fish|a striped tropical fish|underwater|swim|reef sea animal
blowfish|a puffer fish|underwater|swim|sea animal
shark|a shark|underwater|swim|sea predator fish
whale|a whale|underwater|swim|sea mammal ocean
spouting-whale|a spouting whale|sea|bob|whale sea mammal ocean
dolphin|a dolphin|underwater sea|swim|sea mammal
turtle|a turtle|underwater beach|swim|sea reptile
seal|a seal|beach|still|sea mammal
coral|a branch of coral|underwater|sway|reef sea
jellyfish|a jellyfish|underwater|rise|sea animal
shrimp|a shrimp|underwater|swim|sea shellfish plankton
oyster|an oyster with its pearl|underwater|still|shell pearl sea
umbrella-on-ground|a beach umbrella|beach|sway|summer holiday shade sand
desert-island|a desert island with one palm|sea|bob|island palm tropical
palm-tree|a palm tree|beach desert|sway|tree tropical oasis
swan|a swan|river|bob|bird lake
duck|a duck|river|bob|bird pond
goose|a goose|river farm|still|bird
flamingo|a flamingo|river|still|bird pink wading
eagle|an eagle|skyward mountains|drift|bird prey flight wings
bird|a small bird|garden|still|songbird
dove|a dove|skyward|drift|bird peace pigeon
parrot|a parrot|forest|still|bird tropical
owl|an owl|forest starryHill|still|bird night
peacock|a peacock|garden|still|bird feathers
turkey|a turkey|farm|still|bird poultry
rooster|a rooster|farm|sway|cock bird morning
chicken|a hen's head|farm|still|chicken poultry
cow|a cow|farm hills|sway|cattle milk dairy
ox|an ox|farm|sway|cattle plow
water-buffalo|a water buffalo|river|still|cattle
pig|a pig|farm|sway|hog swine
ram|a ram|hills|still|sheep horns wool
ewe|a sheep|hills farm|sway|ewe wool flock
goat|a goat|mountains hills|sway|horns cheese
horse|a horse|farm castleHill|sway|riding stallion
donkey|a donkey|village|sway|mule burden
camel|a camel|desert|sway|caravan
two-hump-camel|a two-humped camel|desert|sway|caravan bactrian
elephant|an elephant|desert hills|sway|trunk tusk africa
rhinoceros|a rhinoceros|desert|sway|horn
hippopotamus|a hippopotamus|river|sway|africa
giraffe|a giraffe's head|desert|sway|neck africa
zebra|a zebra|desert|sway|stripes africa
leopard|a leopard|forest|sway|cat predator
tiger|a tiger|forest|sway|cat predator stripes
kangaroo|a kangaroo|desert|sway|australia
bison|a bison|hills|sway|buffalo prairie
mammoth|a mammoth|snowland|sway|ice age extinct elephant
deer|a deer|forest|sway|stag antlers
moose|a moose|snowland|still|elk antlers
badger|a badger|forest|still|burrow
beaver|a beaver|river|still|dam rodent
otter|an otter|river|still|water mammal
hedgehog|a hedgehog|garden|still|spines
chipmunk|a chipmunk|forest|still|squirrel
mouse|a mouse|pantry|still|rodent
rat|a rat|storeroom|still|rodent plague
rabbit|a rabbit|hills|still|hare
cat|a cat|living|sway|pet kitten
black-cat|a black cat|village|sway|pet
dog|a dog|garden|sway|pet hound
guide-dog|a guide dog|street|sway|blind pet
snail|a snail|garden|pass|shell slow
snake|a snake|desert|sway|reptile serpent
lizard|a lizard|desert|still|reptile
crocodile|a crocodile|river|still|reptile
sauropod|a long-necked dinosaur|hills|sway|dinosaur fossil extinct
t-rex|a meat-eating dinosaur|volcanic|sway|dinosaur tyrannosaurus extinct
honeybee|a honey bee|garden|drift|insect pollen hive pollination
butterfly|a butterfly|garden|drift|insect wings
bug|a caterpillar|garden|sway|insect larva
ant|an ant|plain|still|insect colony
beetle|a beetle|plain|still|insect
spider|a spider|plain|rise|web insect
mosquito|a mosquito|plain|drift|insect malaria
worm|an earthworm|garden|sway|soil compost
microbe|a microbe|plain|drift|bacteria germ virus microscope disease
sunflower|a sunflower|garden farm|sway|flower plant sun
tulip|a tulip|garden|sway|flower spring
rose|a rose|garden|sway|flower love
hibiscus|a hibiscus flower|garden|sway|flower
cherry-blossom|a cherry blossom|garden|sway|flower spring
potted-plant|a potted plant|living study|sway|plant leaf houseplant
seedling|a seedling|garden plain|sway|plant sprout growth seed soil
herb|a sprig of herbs|kitchen|sway|plant leaf herb
cactus|a cactus|desert|sway|plant dry
evergreen-tree|an evergreen tree|snowland mountains|sway|pine fir tree forest
deciduous-tree|a broad-leaved tree|hills|sway|tree oak leaves
maple-leaf|a maple leaf|forest|drift|autumn leaf fall
fallen-leaf|fallen leaves|forest|drift|autumn leaf
mushroom|a red mushroom|forest|still|fungus
brown-mushroom|a brown mushroom|forest kitchen|still|fungus
sheaf-of-rice|a sheaf of rice|farm|sway|grain crop harvest
ear-of-corn|an ear of corn|farm market|still|maize crop grain
red-apple|a red apple|market kitchen|still|fruit
banana|bananas|market|still|fruit
grapes|grapes|market|still|fruit wine vineyard
lemon|a lemon|kitchen|still|fruit citrus sour
tangerine|an orange|market|still|fruit citrus vitamin
strawberry|a strawberry|garden|still|fruit berry
watermelon|a slice of watermelon|market|still|fruit
pineapple|a pineapple|market|still|fruit tropical
coconut|a coconut|beach|still|fruit palm
tomato|a tomato|kitchen market|still|vegetable fruit
potato|a potato|kitchen|still|vegetable crop
carrot|a carrot|market kitchen|still|vegetable root
onion|an onion|kitchen|still|vegetable
garlic|garlic|kitchen|still|vegetable spice
hot-pepper|a red pepper|kitchen|still|chili spice hot
broccoli|broccoli|kitchen|still|vegetable
peanuts|peanuts|pantry|still|nut food
chestnut|a chestnut|forest|still|nut
bread|a loaf of bread|kitchen market|still|bakery flour wheat dough
baguette-bread|a long loaf of bread|market|still|bakery flour
croissant|a croissant|kitchen|still|bakery breakfast
cheese-wedge|a wedge of cheese|pantry|still|dairy milk food
butter|butter|kitchen|still|dairy milk food
egg|a fried egg|kitchen|still|egg breakfast food
cooking|an egg frying in a pan|kitchen|shake|pan stove heat cook
pot-of-food|a pot of stew|kitchen|shake|cook soup heat boil
steaming-bowl|a steaming bowl|kitchen|shake|soup noodles hot steam
cooked-rice|a bowl of rice|kitchen|still|food grain
pizza|a slice of pizza|kitchen|still|food cheese
hamburger|a hamburger|kitchen|still|food fast
honey-pot|a pot of honey|pantry|still|bee sweet food
salt|a salt shaker|kitchen|still|salt seasoning food
chocolate-bar|a bar of chocolate|kitchen|still|cocoa sweet candy
ice-cream|a bowl of ice cream|kitchen|still|cold dessert
glass-of-milk|a glass of milk|kitchen|still|dairy drink
hot-beverage|a cup of hot coffee|kitchen office|shake|coffee tea steam drink morning
teapot|a teapot|kitchen|shake|tea drink kettle
wine-glass|a glass of wine|kitchen|still|wine drink
beer-mug|a mug of beer|pantry|still|beer drink brewing
jar|a glass jar|pantry|still|jar storage preserve
kitchen-knife|a kitchen knife|kitchen|still|blade cut
fork-and-knife-with-plate|a plate with knife and fork|kitchen|still|meal dinner table
house|a house|coast village hills|still|home building
house-with-garden|a house with a garden|village hills|still|home building
houses|houses|village|still|home town building
hut|a hut|beach desert|still|shelter straw
derelict-house|an abandoned house|hills|still|ruin empty decay
church|a church|village|still|chapel religion tower
mosque|a mosque|desert city|still|religion minaret
hindu-temple|a temple|hills|still|religion hindu
classical-building|a building with columns|ruins city|still|museum bank government parliament
castle|a castle|hills mountains|still|medieval fortress king
bank|a bank|street|still|money building finance
hospital|a hospital|street city|still|doctor medicine building
school|a school|street village|still|education building
factory|a factory|factory|still|industry manufacturing smoke
office-building|an office building|city|still|company work
stadium|a stadium|city|still|sport arena
hotel|a hotel|street|still|travel building
post-office|a post office|street|still|mail letter building
tent|a tent|mountains forest|still|camp camping night
ferris-wheel|a ferris wheel|city|still|fair fun
fountain|a fountain|garden city|shake|water square
statue-of-liberty|a copper statue with a torch|sea|still|statue liberty monument
automobile|a car|road street|pass|vehicle driving traffic
taxi|a taxi|city street|pass|car vehicle cab
sport-utility-vehicle|a large blue car|road mountains|pass|vehicle driving
bus|a bus|street city|pass|vehicle transport
minibus|a minibus|road|pass|vehicle van
trolleybus|a trolleybus|street|pass|vehicle transport electric
tram-car|a tram|street|pass|vehicle transport streetcar
delivery-truck|a delivery truck|street factory road|pass|lorry freight goods
articulated-lorry|a long lorry|road|pass|truck freight goods
pickup-truck|a pickup truck|farm|pass|vehicle
tractor|a tractor|farm|pass|plow agriculture field
fire-engine|a fire engine|street|pass|fire rescue emergency
ambulance|an ambulance|street|pass|emergency hospital rescue
police-car|a police car|street|pass|emergency law
bicycle|a bicycle|street village road|pass|bike cycling wheel
motorcycle|a motorcycle|road|pass|motorbike engine
motor-scooter|a motor scooter|street|pass|vehicle
locomotive|a steam locomotive|railway|pass|train engine railway steam
railway-car|a railway car|railway|pass|train carriage wagon
high-speed-train|a high-speed train|railway|pass|train fast railway
station|a train at the platform|railway|still|train station railway
airplane|an airplane|skyward|drift|plane flight aircraft travel
small-airplane|a small airplane|skyward|drift|plane flight aircraft
helicopter|a helicopter|skyward mountains|drift|flight aircraft rescue
balloon|a red balloon|skyward|rise|balloon helium party
parachute|a parachute|skyward|drift|jump fall air
kite|a kite|skyward hills|drift|wind toy
rocket|a rocket|space starryHill|rise|spaceship launch space
satellite|a satellite|space|drift|orbit space communication
satellite-antenna|a satellite dish|starryHill hills|still|antenna signal radio
telescope|a telescope|starryHill study|still|astronomy star lens
ringed-planet|a ringed planet|space|turn|saturn planet space
globe-showing-europe-africa|a globe showing Europe and Africa|space study|still|earth world planet map
globe-showing-americas|a globe showing the Americas|space classroom|still|earth world planet map
full-moon|the full moon|space|still|moon night lunar
crescent-moon|a crescent moon|starryHill|still|moon night
sun|the sun|skyward|turn|sun light star heat
comet|a comet|space|drift|space tail meteor
flying-saucer|a flying saucer|starryHill|drift|alien ufo
astronaut|an astronaut|space|drift|space suit
cloud-with-rain|a rain cloud|hills city|drift|rain weather cloud
cloud-with-lightning|a thunder cloud|hills|shake|storm lightning weather thunder
rainbow|a rainbow|hills|still|rain light color
snowflake|a snowflake|snowland|turn|snow ice crystal winter
ice|a block of ice|snowland|still|ice frozen cold melt
fire|a fire|forest starryHill|shake|flame burn heat
volcano|a volcano|volcanic|shake|eruption lava magma
mountain|a mountain|snowland|still|peak summit
rock|a rock|desert coast|still|stone geology
wood|cut logs|forest|still|timber log fuel
droplet|a drop of water|plain|shake|water drop liquid
potable-water|a tap with running water|kitchen|shake|water tap faucet drink
bathtub|a bathtub|living|still|bath water washing
shower|a shower|living|shake|bath water washing
toilet|a toilet|living|still|bathroom plumbing
soap|a bar of soap|living|still|washing clean foam
bubbles|bubbles|skyward|rise|soap foam
broom|a broom|storeroom|sway|cleaning sweep
bed|a bed|living|still|sleep bedroom night rest
couch-and-lamp|a couch and a lamp|living|still|sofa furniture home
chair|a chair|study living|still|furniture seat
door|a door|street|still|entrance house
window|a window|living|still|glass house
light-bulb|a light bulb|study plain|shake|lamp electric light idea
candle|a candle|study living|shake|flame wax light
diya-lamp|a small oil lamp|study|shake|flame oil light
flashlight|a flashlight|storeroom|still|torch light battery
electric-plug|an electric plug|plain workshop|still|power cable electricity
battery|a battery|workshop plain|still|power energy electricity
magnet|a magnet|laboratory plain|still|magnetic iron force
gear|a gear|workshop|turn|machine cog mechanism
nut-and-bolt|a nut and bolt|workshop|still|screw metal
wrench|a wrench|workshop|still|spanner tool repair
hammer|a hammer|workshop|sway|tool nail
screwdriver|a screwdriver|workshop|still|tool repair
carpentry-saw|a saw|workshop|sway|tool wood carpenter
axe|an axe|forest|still|tool wood
pick|a pick|mountains|still|tool mine miner
toolbox|a toolbox|workshop|still|tools repair
ladder|a ladder|workshop|still|climb
chains|chains|storeroom|still|iron link
link|a chain link|plain|still|chain connection
hook|a hook|plain|still|metal
brick|bricks|storeroom|still|wall building clay
building-construction|a building site with a crane|city|still|construction crane building
scissors|scissors|study|still|cut paper
straight-ruler|a ruler|classroom|still|measure length
triangular-ruler|a set square|classroom|still|measure geometry
abacus|an abacus|classroom|still|counting arithmetic calculation
balance-scale|a balance scale|laboratory study|sway|weight justice measure law
thermometer|a thermometer|laboratory clinic|still|temperature heat fever
alembic|a distilling flask|laboratory|shake|chemistry distillation alchemy
test-tube|a test tube|laboratory|still|chemistry experiment
petri-dish|a petri dish|laboratory|still|bacteria biology experiment
microscope|a microscope|laboratory classroom|still|science biology lens
dna|a strand of DNA|plain laboratory|turn|gene genetics heredity biology
syringe|a syringe|clinic|still|vaccine injection medicine
pill|a pill|clinic plain|still|medicine drug tablet
stethoscope|a stethoscope|clinic|still|doctor medicine heart
adhesive-bandage|a bandage|clinic|still|wound medicine
x-ray|an x-ray picture|clinic|still|bones medicine
brain|a brain|plain clinic|shake|mind memory neuron
anatomical-heart|a heart|plain|shake|heart blood organ
lungs|lungs|plain|shake|breath breathing organ air
tooth|a tooth|plain clinic|still|teeth dentist
bone|a bone|plain|still|skeleton
eye|an eye|plain|still|sight vision
ear|an ear|plain|still|hearing sound
footprints|footprints|beach snowland|still|walk trace feet
skull|a skull|ruins plain|still|bone death
mantelpiece-clock|a mantelpiece clock|study living|still|time clock hour
alarm-clock|an alarm clock|living|shake|time clock morning
watch|a wrist watch|plain|still|time clock
stopwatch|a stopwatch|plain|still|time speed
hourglass-done|an hourglass|study oldMap|still|time sand
calendar|a calendar|office|still|date month year
compass|a compass|oldMap|sway|navigation direction north magnetic
world-map|a folded map of the world|oldMap study|still|map geography world
scroll|a scroll|oldMap library|still|parchment history document writing
amphora|an amphora|ruins|still|vase ancient pottery greek
crown|a crown|castleHill plain|still|king queen royal
crossed-swords|crossed swords|castleHill|still|battle war knight
shield|a shield|castleHill|still|knight war defense
bow-and-arrow|a bow and arrow|castleHill|still|hunting war weapon
coin|a coin|plain oldMap|turn|money gold currency
money-bag|a bag of money|office|still|money wealth gold
dollar-banknote|banknotes|office|still|money dollar currency cash
credit-card|a credit card|office|still|money payment
gem-stone|a cut gem|plain|still|diamond jewel crystal
key|a key|plain|still|lock door
locked|a padlock|plain|still|lock security
old-key|an old key|oldMap|still|lock door
open-book|an open book|library study|still|reading page literature
books|a pile of books|library study|still|reading learning knowledge
closed-book|a closed book|library|still|reading
newspaper|a newspaper|kitchen office|still|news press
envelope|an envelope|study|still|letter mail post
fountain-pen|a fountain pen|study|still|writing ink
pencil|a pencil|classroom study|still|writing drawing
memo|a note and a pencil|study|still|writing paper note
printer|a printer|office|still|paper print
laptop|a laptop|office|still|computer screen internet
desktop-computer|a desktop computer|office|still|computer screen
keyboard|a keyboard|office|still|computer typing
mobile-phone|a mobile phone|office plain|still|smartphone call app
telephone|an old telephone|study|shake|phone call
radio|a radio|kitchen|shake|broadcast music sound wave
television|a television set|living|still|tv screen
camera|a camera|study|still|photo photograph lens
movie-camera|a film camera|theatre|still|film cinema movie
film-frames|a strip of film|plain|still|film cinema movie
microphone|a microphone|theatre|still|sound voice singing
robot|a robot's head|workshop laboratory|still|robot machine automation
chart-increasing|a rising chart|office|still|graph growth economy data statistics
chart-decreasing|a falling chart|office|still|graph loss economy data
bar-chart|a bar chart|office classroom|still|graph data statistics
magnifying-glass-tilted-left|a magnifying glass|study oldMap|still|search lens detail
clipboard|a clipboard|office clinic|still|list paper
package|a cardboard box|storeroom|still|parcel delivery goods
shopping-cart|a shopping cart|storeroom|still|shop store buying
shopping-bags|shopping bags|street|still|shop store buying
wrapped-gift|a wrapped gift|living|still|present birthday
violin|a violin|theatre|still|music instrument
guitar|a guitar|theatre living|still|music instrument
trumpet|a trumpet|theatre|still|music instrument brass
drum|a drum|theatre|shake|music instrument rhythm
musical-keyboard|a piano keyboard|theatre|still|music instrument piano
performing-arts|theatre masks|theatre|still|drama acting play
artist-palette|a painter's palette|study|still|painting art color
framed-picture|a framed picture|library|still|painting art museum
chess-pawn|a chess pawn|study|still|game strategy
puzzle-piece|a puzzle piece|plain|still|puzzle game
teddy-bear|a teddy bear|living|still|toy child
soccer-ball|a football|garden plain|turn|ball sport game soccer
basketball|a basketball|plain|turn|ball sport game
trophy|a trophy|plain|still|prize winner sport
backpack|a backpack|mountains|still|bag hiking school
hiking-boot|a hiking boot|mountains|still|shoe walking
running-shoe|a running shoe|plain|still|shoe sport
umbrella|an umbrella|street|sway|rain weather
glasses|spectacles|study|still|eye lens sight
top-hat|a top hat|study|still|hat fashion
t-shirt|a t-shirt|plain|still|clothes cotton
scarf|a scarf|plain|sway|clothes wool winter
thread|a reel of thread|workshop|still|sewing cotton
yarn|a ball of yarn|living|still|wool knitting
basket|a basket|market|still|weaving harvest
oil-drum|an oil drum|factory|still|oil fuel petroleum barrel
fuel-pump|a fuel pump|road|still|petrol gasoline fuel car
recycling-symbol|the recycling sign|plain|still|waste recycling environment
wastebasket|a wastebasket|office|still|waste rubbish
bucket|a bucket|beach farm|still|pail water
knot|a knot in a rope|harbour plain|still|rope sailor
diving-mask|a diving mask|beach|still|diving sea swim
bridge-at-night|a bridge at night|river|still|bridge city
nest-with-eggs|a nest with eggs|forest|still|bird egg
hatching-chick|a hatching chick|farm|shake|egg bird birth
feather|a feather|plain|drift|bird light
wheel|a wheel|workshop|turn|tire axle car
flag-in-hole|a flag|hills|sway|golf
military-helmet|a military helmet|ruins|still|war soldier army
rescue-workers-helmet|a helmet with a cross|storeroom|still|rescue safety
safety-vest|a safety vest|storeroom|still|work safety
dotted-six-pointed-star|a star|plain|turn|star
wind-chime|a wind chime|garden|sway|wind sound
bell|a bell|plain|sway|ring sound alarm
loudspeaker|a loudspeaker|theatre|shake|sound noise wave
mouse-trap|a mouse trap|pantry|still|trap
spider-web|a spider's web|forest|still|web thread
accordion|an accordion|theatre|still|music instrument bellows
aerial-tramway|a cable car|mountains|pass|cable tram ropeway
airplane-departure|an aeroplane taking off|skyward|drift|plane takeoff airport flight
airplane-arrival|an aeroplane landing|skyward|drift|plane landing airport flight
auto-rickshaw|an auto rickshaw|street|pass|taxi three-wheeler
avocado|half an avocado|kitchen market|still|fruit stone
baby-bottle|a baby's bottle|kitchen|still|milk infant
baby-chick|a chick|farm|sway|bird young
bacon|rashers of bacon|kitchen|still|meat breakfast
badminton|a badminton racket and a shuttlecock|garden|sway|sport game
ballet-shoes|ballet shoes|theatre|still|dance
banjo|a banjo|theatre|still|music instrument strings
baseball|a baseball|plain garden|turn|ball sport
bat|a bat in flight|starryHill forest|drift|night wings mammal
beans|beans|kitchen market|still|pulse food seed
bear|a bear's head|forest|sway|animal
bell-pepper|a bell pepper|kitchen market|still|vegetable paprika
birthday-cake|a birthday cake|living|still|cake candles celebration
blackbird|a blackbird|garden forest|still|bird songbird
blossom|a yellow blossom|garden hills|sway|flower bloom
blueberries|blueberries|forest kitchen|still|fruit berry
boar|a wild boar's head|forest|sway|pig animal
boomerang|a boomerang|plain desert|turn|throwing wood
bottle-with-popping-cork|a bottle with its cork flying|living|shake|wine celebration cork
bouquet|a bunch of flowers|living|still|flowers gift
bowling|a bowling ball and pins|plain|still|game sport
briefcase|a briefcase|office|still|business work bag
broken-chain|a broken chain|plain harbour|still|link iron broken
bullet-train|a fast train's nose|railway|pass|high-speed rail
cherries|two cherries|garden market|still|fruit
chequered-flag|a chequered flag|road|sway|race finish
chopsticks|chopsticks|kitchen|still|eating table
christmas-tree|a Christmas tree|living snowland|still|fir winter holiday
circus-tent|a circus tent|hills|sway|show
clamp|a clamp|workshop|still|tool vice pressure
clapper-board|a clapper board|theatre|still|film shooting scene
cloud|a white cloud|skyward|drift|weather vapour
cloud-with-lightning-and-rain|a cloud with lightning and rain|skyward storm|drift|thunderstorm weather
cloud-with-snow|a cloud with snow|snowland skyward|drift|weather winter
cockroach|a cockroach|pantry|still|insect pest
computer-disk|a mini disc|study|still|data storage
computer-mouse|a computer mouse|office|still|computer
control-knobs|control knobs|factory|turn|setting dial control
convenience-store|a corner shop|street|still|shop store
crayon|a crayon|classroom|still|drawing colour child
crystal-ball|a crystal ball|study|still|glass future
cricket|a cricket|garden hills|still|insect song
cucumber|a cucumber|kitchen market|still|vegetable
cupcake|a cupcake|kitchen|still|cake baking
crutch|a crutch|clinic|still|walking injury
cyclone|a whirl of wind|skyward storm|turn|cyclone spiral weather
dagger|a dagger|castleHill|still|knife weapon blade
dodo|a dodo|forest beach|sway|bird extinct
doughnut|a doughnut|kitchen|still|cake ring
drop-of-blood|a drop of blood|plain laboratory|still|blood medicine
eggplant|an aubergine|kitchen market|still|vegetable
elevator|a lift's doors|office|still|lift building
empty-nest|an empty nest|forest|still|bird twigs
fax-machine|a fax machine|office|still|telephone paper
file-cabinet|a filing cabinet|office|still|records drawer archive
film-projector|a film projector|theatre|still|cinema light movie
fire-extinguisher|a fire extinguisher|storeroom|still|safety fire
fireworks|fireworks|starryHill city|rise|celebration explosion night
first-quarter-moon|the half moon|space starryHill|still|moon phase quarter
floppy-disk|a floppy disk|office|still|data storage computer
flute|a flute|theatre|still|music instrument wind
fly|a fly|kitchen|still|insect
flying-disc|a flying disc|garden|drift|game throw
foot|a foot|plain beach|still|body step
fork-and-knife|a fork and a knife|kitchen|still|eating cutlery
four-leaf-clover|a four-leaf clover|hills|sway|luck plant
fox|a fox's head|forest snowland|sway|animal
french-fries|chips in a carton|kitchen|still|potato food
frog|a frog's head|river|sway|amphibian animal
funeral-urn|an urn|ruins|still|vase ancient burial
game-die|a die|plain|turn|dice chance game
ginger-root|a ginger root|kitchen market|still|spice
gloves|a pair of gloves|snowland|still|winter clothes
goal-net|a goal with its net|garden|still|football sport
goggles|safety goggles|laboratory workshop|still|eyes protection
gorilla|a gorilla|forest|sway|ape animal
graduation-cap|a graduation cap|library|still|university study
green-apple|a green apple|garden kitchen|still|fruit
green-salad|a bowl of salad|kitchen|still|vegetable food
hammer-and-pick|a hammer and a pick|mountains|still|mining tool
headphone|headphones|study theatre|still|sound listening music
headstone|a headstone|hills|still|grave cemetery stone
high-voltage|a flash of lightning|skyward|shake|electricity voltage
hole|a hole in the ground|desert hills|still|pit
hot-springs|a hot spring|mountains snowland|rise|steam water bath
hyacinth|a hyacinth|garden|sway|flower spring
ice-skate|an ice skate|snowland|still|skating winter sport
jack-o-lantern|a carved pumpkin|village|still|pumpkin lantern autumn
jeans|a pair of jeans|plain|still|trousers denim cotton
joystick|a joystick|living|sway|game control
kick-scooter|a kick scooter|street|pass|scooter wheel
kiwi-fruit|half a kiwi fruit|kitchen market|still|fruit
koala|a koala's head|forest|sway|animal australia
lab-coat|a white coat|laboratory|still|science clothes
lady-beetle|a ladybird|garden hills|still|beetle insect
leaf-fluttering-in-wind|leaves in the wind|forest hills|drift|leaf autumn wind
leafy-green|a head of lettuce|garden market|still|vegetable cabbage
level-slider|a slider|theatre|still|control mixing
light-rail|a city railway|city|pass|tram rail train
lime|a lime|kitchen market|still|fruit citrus
linked-paperclips|two linked paper clips|office|still|link paper
lion|a lion's head|desert|sway|animal predator
llama|a llama|mountains|sway|animal wool
long-drum|a long drum|theatre|shake|music instrument rhythm
lotion-bottle|a bottle of lotion|clinic|still|cream soap
lotus|a lotus flower|river|bob|flower water
low-battery|a battery nearly empty|plain workshop|still|battery charge energy
luggage|a suitcase|railway|still|travel bag
magic-wand|a magic wand|theatre|sway|magic conjuring
maracas|a pair of maracas|theatre|shake|music instrument rattle
mechanical-arm|a mechanical arm|factory workshop|sway|robot machine
megaphone|a megaphone|street|shake|voice loud call
melon|a melon|market|still|fruit
metro|an underground train|city|pass|subway train
military-medal|a medal|plain|sway|honour award
milky-way|the Milky Way|starryHill space|still|galaxy stars night
mirror|a mirror|living|still|reflection glass
moai|a stone head|hills beach|still|statue stone island
monkey|a monkey|forest|sway|animal
monorail|a monorail|city|pass|train rail
mountain-cableway|a cable car on its rope|mountains snowland|pass|cable ropeway
mountain-railway|a mountain railway|mountains|pass|train rack
mount-fuji|a mountain with a cap of snow|hills mountains|still|volcano mountain snow
musical-score|a sheet of music|theatre|still|notes staff music
musical-notes|notes of music|theatre plain|rise|music melody
nesting-dolls|nesting dolls|living|still|toy doll
new-moon|the new moon|space|still|moon phase dark
notebook|a notebook|study classroom|still|writing paper
nose|a nose|plain|still|smell body
olive|an olive|kitchen market|still|fruit oil
oncoming-bus|a bus from the front|street road|shake|bus traffic
oncoming-automobile|a car from the front|road street|shake|car traffic
optical-disk|a disc|study|turn|data storage
orangutan|an orangutan|forest|sway|ape animal
paintbrush|a paint brush|study workshop|still|painting art
pancakes|pancakes|kitchen|still|breakfast batter
panda|a panda's head|forest|sway|animal
paperclip|a paper clip|office|still|paper wire
paw-prints|tracks of paws|snowland beach|still|animal tracks
pea-pod|peas in their pod|garden market|still|vegetable seed
peach|a peach|garden market|still|fruit
pear|a pear|garden market|still|fruit
penguin|a penguin|snowland|sway|bird antarctic
pie|a pie|kitchen|still|baking pastry
ping-pong|a table tennis bat and ball|plain|sway|game sport
playground-slide|a slide|garden|still|playground child
plunger|a plunger|workshop|still|drain plumbing
polar-bear|a polar bear|snowland|sway|animal arctic
popcorn|popcorn|theatre|shake|maize cinema
postal-horn|a post horn|village|still|post brass
postbox|a postbox|street village|still|mail letter post
poultry-leg|a leg of chicken|kitchen|still|meat food
pretzel|a pretzel|kitchen|still|bread baking
prayer-beads|prayer beads|plain|still|religion
pushpin|a pin|office|still|map paper
raccoon|a raccoon|forest|sway|animal
racing-car|a racing car|road|pass|race speed
radioactive|the radioactivity sign|factory laboratory|still|radiation nuclear warning
railway-track|a railway track|railway|still|rail sleepers
razor|a razor|plain|still|blade shaving
receipt|a receipt|office|still|money paper bill
red-paper-lantern|a red paper lantern|street|sway|light paper
ribbon|a ribbon|plain|sway|bow gift
ring|a ring with a stone|plain|turn|gold diamond jewellery
roll-of-paper|a roll of paper|storeroom|still|paper
roller-coaster|a roller coaster|hills|shake|fair ride
roller-skate|a roller skate|street|pass|wheels sport
safety-pin|a safety pin|plain|still|metal clothes
sandwich|a sandwich|kitchen|still|bread food
saxophone|a saxophone|theatre|sway|music instrument brass
seat|a seat|theatre|still|chair
sewing-needle|a needle and thread|workshop|still|sewing tailor
shamrock|a clover|hills|sway|plant leaf
shooting-star|a shooting star|starryHill space|drift|meteor night
skateboard|a skateboard|street|pass|wheels sport
skis|skis|snowland|still|winter sport snow
skunk|a skunk|forest|sway|animal smell
sled|a sledge|snowland|pass|winter snow
sloth|a sloth|forest|sway|animal slow
snow-capped-mountain|a snow-capped mountain|hills|still|mountain peak snow
snowman|a snowman in falling snow|snowland|still|winter snow
socks|a pair of socks|plain|still|wool clothes
spaghetti|a plate of spaghetti|kitchen|still|pasta food
speaker-high-volume|a loudspeaker playing|theatre|shake|sound volume
spiral-calendar|a calendar|office study|still|date month time
spiral-notepad|a notepad|study|still|writing paper
sponge|a sponge|kitchen underwater|still|washing water
spoon|a spoon|kitchen|still|cutlery eating
star|a star|starryHill space|turn|night sky
studio-microphone|a studio microphone|theatre study|still|voice recording radio
sun-behind-cloud|the sun behind a cloud|skyward|drift|weather sun
sun-behind-rain-cloud|the sun behind a rain cloud|skyward|drift|weather shower rain
sunglasses|sunglasses|beach|still|sun eyes
sunrise-over-mountains|the sun rising over mountains|hills|rise|dawn sun morning
suspension-railway|a suspension railway|city|pass|train rail
sweat-droplets|drops of water|plain garden|shake|water drops
tear-off-calendar|a tear-off calendar|office|still|date day
telephone-receiver|a telephone receiver|study|sway|phone call
tennis|a tennis racket and a ball|garden|sway|sport game
ticket|a ticket|theatre|sway|show entrance
timer-clock|a mantel clock|living study|still|clock time
toothbrush|a toothbrush|plain|sway|teeth washing
tornado|a tornado|skyward farm|turn|wind storm weather
train|a railway carriage|railway|pass|train rail
tram|a tram|street city|pass|rail city
trident-emblem|a trident|underwater plain|still|fork spear sea
tumbler-glass|a tumbler|kitchen|still|glass drink
video-camera|a video camera|study theatre|still|film recording
video-game|a game controller|living|still|game
volleyball|a volleyball|beach|turn|ball sport
waffle|a waffle|kitchen|still|baking breakfast
water-wave|a breaking wave|sea beach|bob|wave surf ocean
waning-crescent-moon|the waning moon|starryHill space|still|moon phase crescent
waxing-gibbous-moon|the moon nearly full|starryHill space|still|moon phase gibbous
wheelchair-symbol|the wheelchair sign|clinic|still|access disability
wilted-flower|a wilted flower|garden|still|flower dry drought
wireless|the sign of wireless waves|plain office|shake|radio network signal
wolf|a wolf's head|forest snowland|sway|animal predator
yo-yo|a yo-yo|plain|bob|toy string
`
  .trim()
  .split('\n')
  .map(row)

/** Places worth a picture of their own, with the words they are looked for by. */
export const PLACES: Record<string, { name: string; tags: string; times: readonly Time[] }> = {
  sea: {
    name: 'the open sea',
    tags: 'sea ocean water waves horizon',
    times: ['day', 'dusk', 'night', 'dawn'],
  },
  volcanic: {
    name: 'dark hills under rising smoke',
    tags: 'volcano smoke rock hills ash',
    times: ['dusk'],
  },
  storm: {
    name: 'a stormy sea in the rain',
    tags: 'storm sea waves rain wind weather danger',
    times: ['grey'],
  },
  beach: { name: 'a sandy beach', tags: 'beach sand coast shore seaside', times: ['day', 'dusk'] },
  coast: {
    name: 'a cliff above the sea',
    tags: 'cliff coast sea shore rock',
    times: ['day', 'dawn', 'dusk'],
  },
  harbour: {
    name: 'a small harbour with boats',
    tags: 'harbor port boats quay town seaside',
    times: ['day', 'dusk', 'dawn'],
  },
  underwater: {
    name: 'the sea floor',
    tags: 'underwater sea ocean deep floor weed',
    times: ['day', 'night'],
  },
  hills: {
    name: 'green hills',
    tags: 'hills hillside slope valley countryside meadow grass landscape nature',
    times: ['day', 'dawn'],
  },
  mountains: {
    name: 'snowy mountains above a pine forest',
    tags: 'mountain peak snow alps landscape nature',
    times: ['day', 'dawn', 'dusk'],
  },
  forest: {
    name: 'a pine forest',
    tags: 'forest wood trees nature',
    times: ['day', 'dawn', 'night'],
  },
  desert: {
    name: 'desert dunes',
    tags: 'desert dune sand dry heat',
    times: ['day', 'dusk', 'night'],
  },
  river: { name: 'a broad river', tags: 'river water stream bank nature', times: ['day', 'dusk'] },
  snowland: {
    name: 'a snowy land in falling snow',
    tags: 'snow winter cold ice',
    times: ['day', 'night'],
  },
  farm: {
    name: 'a ploughed field and a barn',
    tags: 'farm field agriculture barn crop soil',
    times: ['day', 'dawn'],
  },
  village: {
    name: 'a village under hills',
    tags: 'village town houses roofs',
    times: ['day', 'dusk', 'night'],
  },
  city: {
    name: 'a city skyline',
    tags: 'city skyline towers buildings urban',
    times: ['day', 'dusk', 'night'],
  },
  street: {
    name: 'a street with tall houses',
    tags: 'street city houses lamps town road',
    times: ['day', 'dusk', 'night'],
  },
  road: {
    name: 'a road to the horizon',
    tags: 'road highway way journey travel',
    times: ['day', 'dusk'],
  },
  railway: { name: 'a railway line', tags: 'railway rails track train', times: ['day', 'dawn'] },
  skyward: {
    name: 'clouds in a wide sky',
    tags: 'sky clouds air weather',
    times: ['day', 'dusk', 'dawn'],
  },
  space: { name: 'the stars', tags: 'space stars universe night galaxy', times: ['day'] },
  starryHill: {
    name: 'a starry sky above dark hills',
    tags: 'night stars sky dark hill',
    times: ['night'],
  },
  garden: {
    name: 'a garden with flowers and a fence',
    tags: 'garden flowers fence plants lawn',
    times: ['day', 'dawn'],
  },
  ruins: {
    name: 'ruined columns of an old temple',
    tags: 'ruins temple ancient greek roman columns history',
    times: ['day', 'dusk'],
  },
  castleHill: {
    name: 'a castle on a hill',
    tags: 'castle medieval fortress hill history king',
    times: ['day', 'dusk', 'night'],
  },
  factory: {
    name: 'a factory with smoking chimneys',
    tags: 'factory industry chimney smoke pollution',
    times: ['grey', 'dusk'],
  },
  market: {
    name: 'a market square with stalls',
    tags: 'market stall square trade shop town',
    times: ['day'],
  },
  living: { name: 'a living room', tags: 'room home house wall window', times: ['day', 'dusk'] },
  kitchen: {
    name: 'a kitchen',
    tags: 'kitchen home house cupboard cooking',
    times: ['day', 'dusk'],
  },
  pantry: { name: 'a pantry with jars', tags: 'pantry jars food store shelf', times: ['day'] },
  study: {
    name: 'a study with books and a window',
    tags: 'study desk books room',
    times: ['day', 'dusk'],
  },
  library: {
    name: 'a library',
    tags: 'library books shelves reading knowledge',
    times: ['dusk', 'day'],
  },
  laboratory: {
    name: 'a laboratory with flasks',
    tags: 'laboratory science flask chemistry experiment',
    times: ['day', 'dusk'],
  },
  workshop: {
    name: 'a workshop with tools on the wall',
    tags: 'workshop tools bench craft',
    times: ['day', 'dusk'],
  },
  classroom: {
    name: 'a classroom with a blackboard',
    tags: 'classroom school blackboard lesson teaching',
    times: ['day'],
  },
  office: {
    name: 'an office with screens',
    tags: 'office desk screens work computer',
    times: ['day', 'dusk'],
  },
  clinic: {
    name: "a doctor's room",
    tags: 'clinic doctor hospital medicine health',
    times: ['day'],
  },
  storeroom: {
    name: 'a storeroom with boxes',
    tags: 'storeroom warehouse boxes shelf goods',
    times: ['day'],
  },
  theatre: {
    name: 'a theatre stage with curtains',
    tags: 'theater stage curtain spotlight show',
    times: ['night'],
  },
  oldMap: {
    name: 'an old map on a table',
    tags: 'map old parchment history voyage exploration geography',
    times: ['day', 'dusk'],
  },
}

/** Pictures painted as a whole, each with what is seen in it. */
export const MACHINES: Record<
  string,
  { title: string; description: string; tags: string; times: readonly Time[] }
> = {
  lighthouse: {
    title: 'Lighthouse on its rocks',
    description:
      'A red and white lighthouse stands on rocks by the sea; after dark its two beams turn.',
    tags: 'lighthouse tower lamp beam light coast sea keeper',
    times: ['day', 'dusk', 'night', 'dawn', 'grey'],
  },
  rockLight: {
    title: 'Lighthouse alone on a rock at sea',
    description:
      'A tall lighthouse rises from a bare rock with water all round it; after dark its beam sweeps.',
    tags: 'lighthouse rock sea tower beam island offshore',
    times: ['day', 'dusk', 'night', 'grey'],
  },
  lens: {
    title: 'Rings of a great lens, close',
    description: 'Concentric rings of glass prisms around a flame, glints wandering over them.',
    tags: 'lens glass prism ring lamp light fresnel optics beam',
    times: ['day', 'night'],
  },
  oilLamp: {
    title: 'Oil lamp burning',
    description: 'A flame in the glass chimney of a brass oil lamp on a dark table.',
    tags: 'lamp oil flame wick light lantern fire',
    times: ['day', 'dusk', 'night'],
  },
  lock: {
    title: 'Boat rising in a canal lock',
    description:
      'A canal lock seen from the side: two gates, water filling the chamber and a narrow boat rising with it.',
    tags: 'lock canal gate chamber water boat level barge',
    times: ['day', 'dawn', 'dusk', 'grey'],
  },
  canal: {
    title: 'Narrow boat on a canal',
    description: 'A long narrow boat on quiet water between trees.',
    tags: 'canal boat barge narrowboat water towpath',
    times: ['day', 'dusk', 'dawn'],
  },
  tides: {
    title: 'Moon drawing out the sea into two bulges',
    description: 'Earth turning inside a sea drawn out into two bulges, the moon going round it.',
    tags: 'tide moon earth gravity bulge ocean orbit pull',
    times: ['day', 'night'],
  },
  solarSystem: {
    title: 'Planets going round the sun',
    description: 'The sun and five planets on their orbits.',
    tags: 'sun planet orbit solar system space earth',
    times: ['day', 'night'],
  },
  lowTide: {
    title: 'Boats lying on the sand at low tide',
    description:
      'A shore where the sea has gone out: wet sand, pools and boats lying on their keels.',
    tags: 'low tide sand shore boats mud beach ebb pool',
    times: ['day', 'dusk', 'dawn', 'grey'],
  },
  gears: {
    title: 'Brass gears turning together',
    description: 'Large toothed wheels turning against each other.',
    tags: 'gear wheel machine clockwork mechanism cog tooth turning',
    times: ['day', 'dusk'],
  },
  windTurbines: {
    title: 'Wind turbines on green hills',
    description: 'Three white wind turbines turning above meadows.',
    tags: 'wind turbine energy electricity power renewable',
    times: ['day', 'dusk', 'dawn'],
  },
  windmill: {
    title: 'Old windmill turning',
    description: 'A stone windmill with four sails turning on a hill.',
    tags: 'windmill wind mill sails flour grain',
    times: ['day', 'dusk'],
  },
  waterWheel: {
    title: 'Water wheel at a mill',
    description: 'A wooden wheel turned by the river beside a mill house.',
    tags: 'mill wheel water river power',
    times: ['day', 'dusk'],
  },
  waterfall: {
    title: 'Waterfall between cliffs',
    description: 'Water falling between two cliffs into a pool.',
    tags: 'waterfall water cliff river fall',
    times: ['day', 'dawn'],
  },
  bridge: {
    title: 'Suspension bridge over water',
    description: 'A red suspension bridge with a city behind it.',
    tags: 'bridge suspension cable river engineering crossing',
    times: ['day', 'dusk', 'night'],
  },
  port: {
    title: 'Container ship leaving a port',
    description: 'A ship loaded with containers passes the cranes of a port.',
    tags: 'ship container port cargo crane trade freight',
    times: ['day', 'dusk', 'dawn'],
  },
  prism: {
    title: 'Prism parting white light into colours',
    description: 'A beam of white light enters a glass prism and leaves as a band of colours.',
    tags: 'prism light color spectrum glass ray refraction bend',
    times: ['day'],
  },
  atom: {
    title: 'Model of an atom',
    description: 'Electrons circling a nucleus on three rings.',
    tags: 'atom electron nucleus particle physics energy chemistry',
    times: ['day'],
  },
  hearth: {
    title: 'Fire in a stone hearth',
    description: 'Logs burning in a fireplace.',
    tags: 'fire hearth flame wood log heat warm coal',
    times: ['day', 'dusk'],
  },
  cell: {
    title: 'Living cell with its nucleus',
    description: 'A cell with its nucleus and small bodies drifting in it.',
    tags: 'cell nucleus biology life organism body',
    times: ['day'],
  },
  rain: {
    title: 'Raindrops on a window',
    description: 'Drops running down a window pane, lights blurred behind it.',
    tags: 'rain window drop glass weather',
    times: ['grey', 'night'],
  },
  moonPhases: {
    title: 'Phases of the moon',
    description: 'Five faces of the moon through a month, from crescent to full and back.',
    tags: 'moon phase month crescent full night lunar',
    times: ['day'],
  },
  lightning: {
    title: 'Lightning over roofs',
    description: 'Thick clouds over a town, with lightning now and then.',
    tags: 'lightning storm thunder cloud electricity weather',
    times: ['grey', 'night'],
  },
}
