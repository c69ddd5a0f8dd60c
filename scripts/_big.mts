import { execFileSync } from 'node:child_process'
import { readFileSync, rmSync, writeFileSync } from 'node:fs'
import { parseScript } from '@tidy-reel/core/script/parse'
import { engineConfig } from '@tidy-reel/engine/config'
import { speechPlace, takeOf } from '@tidy-reel/engine/speech/take'
import { readRecording } from '@tidy-reel/engine/speech/recording/recording'
import { alignRecording } from '@tidy-reel/engine/speech/recording/align-recording'
const place = speechPlace({ ...engineConfig(), data: '/tmp/w/big' })
const base = [...['canal-lock','lighthouse','tides'].map((n)=>readFileSync(`demo/${n}.txt`,'utf8')), readFileSync('packages/core/src/tidy/set/tuned.txt','utf8').replace(/^\W*(===|---|>>>|<<<).*$/gm, '')].flatMap((t)=>parseScript(t).scenes.map((s)=>s.text)).filter((t)=>/^[A-Z][A-Za-z ,.'’;:?!0-9-]+$/.test(t) && t.split(' ').length >= 4)
const script = [...new Set(base)].slice(0, 260)
const parts: { file: string; s: number; good: boolean; samples: number }[] = []
for (const [i, text] of script.entries()) {
  if (i % 37 === 5) continue // left out
  if (i % 11 === 3) { const half = text.split(' ').slice(0, Math.ceil(text.split(' ').length * 0.55)).join(' '); const t = await takeOf(place,{text:half,voice:'flite-awb',speed:1,finish:'plain'}); parts.push({ file: t.file, s: i, good: false, samples: t.samples }) }
  const t = await takeOf(place,{text,voice:'flite-awb',speed:1,finish:'plain'}); parts.push({ file: t.file, s: i, good: true, samples: t.samples })
  if (i % 23 === 7) parts.push({ file: t.file, s: i, good: true, samples: t.samples })
}
let at = 0; const truth = new Map<number, number>(); const pcm: Buffer[] = []
for (const p of parts) { if (p.good) truth.set(p.s, at + 0.05); const b = readFileSync(p.file).subarray(44); pcm.push(b, Buffer.alloc(2*Math.round(48000*0.8))); at += b.length/96000 + 0.8 }
writeFileSync('/tmp/w/big.pcm', Buffer.concat(pcm)); execFileSync('ffmpeg',['-v','error','-y','-f','s16le','-ar','48000','-ac','1','-i','/tmp/w/big.pcm','-f','lavfi','-i',`anoisesrc=a=0.004:c=pink:r=48000:seed=1:d=${at}`,'-filter_complex','[0][1]amix=inputs=2:duration=first:normalize=0','/tmp/w/big.wav']); rmSync('/tmp/w/big.pcm')
let t0 = performance.now(); const r = await readRecording('/tmp/w/big.wav'); console.log('minutes', (r.seconds/60).toFixed(1), 'read in', ((performance.now()-t0)/1000).toFixed(1), r.remarks)
t0 = performance.now(); const found = await alignRecording(r, script); console.log('aligned in', ((performance.now()-t0)/1000).toFixed(0), 's; rss', Math.round(process.memoryUsage().rss/1e6), 'MB')
let right=0, wrong=0, lost=0, ghost=0; const errs: number[]=[]
found.forEach((f,i)=>{ const t=truth.get(i); if (t===undefined) { if (f.start!==null) ghost++; return } if (f.start===null) { lost++; console.log('lost', script[i]!.slice(0,60), f.tries) ; return } const e=Math.abs(f.start-t); if (e<0.5) { right++; errs.push(e) } else { wrong++; console.log('wrong', script[i]!.slice(0,60), (f.start-t).toFixed(1)) } })
errs.sort((a,b)=>a-b); console.log({ right, wrong, lost, ghost, left: script.length-truth.size, median: errs[errs.length>>1]!.toFixed(3), p95: errs[Math.floor(errs.length*0.95)]!.toFixed(3), missing: found.filter(f=>f.start!==null&&f.missing.length).length })
