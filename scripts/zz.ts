import { readFileSync } from 'node:fs'
import { pickPictures } from '@tidy-reel/core/match/pick'
import { pictureIndex } from '@tidy-reel/core/match/picture-index'
import { queriesOf } from '@tidy-reel/core/match/queries'
import { labelledCatalogue, labelledScripts } from '@tidy-reel/core/test-sets/matching/labelled'
import { filmOfScript } from '@tidy-reel/core/test-sets/matching/measure'
import { loadLexicon } from '@tidy-reel/engine/words/wordnet'
const read = (name: string) => readFileSync(new URL(`../packages/core/test-sets/matching/${name}.txt`, import.meta.url), 'utf8')
const lexicon = await loadLexicon()
const wider = labelledCatalogue(`${read('subjects')}\n${read('unseen-subjects')}`)
const subj = new Map(wider.map(({item,subject})=>[item.id,subject]))
const index = pictureIndex(wider.map(({item})=>item), lexicon)
for (const s of labelledScripts(read('unseen-scripts'))) {
  if (process.argv[2] && !s.title.includes(process.argv[2])) continue
  const film = filmOfScript(s); const q = queriesOf(film, lexicon, s.title)
  console.log('\n##', s.title, [...q[0]!.subject].map(([a,b])=>`${a} ${b.toFixed(2)}`).join(', '))
  const picks = pickPictures(film, q, index, lexicon, {orientation:'landscape'})
  picks.forEach((p,i)=>{
    const f = s.scenes[i]!.fits
    const ok = f.has(subj.get(p.candidates[0]!.item.id)!)
    console.log(ok?' ':'X', film[i]!.seconds.toFixed(1), p.begins??'', film[i]!.text, '\n      need',q[i]!.need.toFixed(2),'stake',q[i]!.stake.toFixed(2),'|', q[i]!.words.slice(0,7).map(w=>`${w.text}${w.written?'':'*'} ${w.weight.toFixed(2)}`).join(', '), '| st', q[i]!.standing.map(w=>w.text).join(','))
    if(!ok) console.log('     ', p.candidates.slice(0,7).map(c=>`${subj.get(c.item.id)} ${c.score.toFixed(2)} ${c.sure}${c.passed?' ('+c.passed+')':''}`).join('; '))
  })
}
