import { foot, lines, page, place, question } from './parts.ts'

const LEG = (side: 1 | -1, index: number) => {
  const y = -10 + index * 22
  return `<path d="M${side * 74} ${y}q${side * 44} ${-16 + index * 8} ${side * 78} ${18 + index * 10}" fill="none" stroke="#1e2b3a" stroke-width="2"/>`
}
const crab = `<svg width="420pt" height="270pt" viewBox="-210 -135 420 270" style="margin:4mm auto" ${place('crab')}>
  ${[0, 1, 2, 3].flatMap((index) => [LEG(1, index), LEG(-1, index)]).join('')}
  <path d="M-82 -8C-84 -62 -40 -78 0 -78s84 16 82 70c-2 42-44 62-82 62s-80-20-82-62z" fill="#f2ede0" stroke="#1e2b3a" stroke-width="2"/>
  <path d="M-18 -78v-14M18 -78v-14" stroke="#1e2b3a" stroke-width="2"/><circle cx="-18" cy="-97" r="6" fill="#fff" stroke="#1e2b3a" stroke-width="2"/><circle cx="18" cy="-97" r="6" fill="#fff" stroke="#1e2b3a" stroke-width="2"/>
  ${[1, -1].map((side) => `<path d="M${side * 62} -52q${side * 50} -24 ${side * 74} -50" fill="none" stroke="#1e2b3a" stroke-width="7"/><path d="M${side * 128} -96q${side * 34} -8 ${side * 44} -34q${side * -26} 6 ${side * -36} 20q${side * 2} -20 ${side * -12} -30q${side * -16} 30 ${side * 4} 44z" fill="#f2ede0" stroke="#1e2b3a" stroke-width="2"/>`).join('')}
  <path d="M-40 10q40 22 80 0M-50 -14q50 -16 100 0" fill="none" stroke="#1e2b3a" stroke-width="1.2"/></svg>`

export const crabParts = {
  name: 'Parts of a shore crab',
  pages: [
    page(`<h1>Parts of a shore crab</h1><p class="from">Tides and harbours · sheet 4</p>
      ${question(1, '<p>Label the parts: shell, eye, pincer, walking leg, mouth. Draw a line to each.</p>')}${crab}
      ${question(2, `<p>A crab has ten legs. Count those that you see. Where are the others?</p>${lines('legs', 2)}`)}
      ${question(3, '<p>Colour what is hard in one colour and what is soft in another.</p>')}${foot(1, 2)}`),
    page(`<h2 style="margin-top:0">Between the tides</h2>
      ${question(
        4,
        `<p>What does the crab do when the water goes? Draw it in three pictures.</p>
      <div style="display:flex;gap:5mm">${['a', 'b', 'c'].map((name) => `<div class="box" style="flex:1;height:58mm" ${place(`picture ${name}`)}></div>`).join('')}</div>`,
      )}
      ${question(5, `<p>Write a sentence for each picture.</p>${lines('sentences', 6)}`)}${foot(2, 2)}`),
  ],
}

const rope = 'M40 90C120 20 200 20 240 70s-10 90-60 70-40-90 30-100 130 10 190 40'
export const knot = {
  name: 'Tie it, tell it',
  pages: [
    page(`<h1>Tie it, tell it</h1><p class="from">Tides and harbours · sheet 5 · a rope for each pair</p>
      <svg width="440pt" height="180pt" viewBox="0 0 440 180" style="margin:2mm auto 0"><path d="${rope}" fill="none" stroke="#8a7f5d" stroke-width="13" stroke-linecap="round"/><path d="${rope}" fill="none" stroke="#efe9d8" stroke-width="9" stroke-linecap="round" stroke-dasharray="7 3"/></svg>
      ${question(1, '<p>Tie this knot with your partner until you can do it without looking.</p>')}
      ${question(2, `<p>Draw the three steps.</p><div style="display:flex;gap:5mm">${['one', 'two', 'three'].map((name) => `<div class="box" style="flex:1;height:48mm" ${place(name)}></div>`).join('')}</div>`)}
      ${question(3, `<p>Press <b>Speak</b> and tell somebody on the telephone how to tie it. They cannot see your hands!</p><div class="box" style="height:26mm;border-style:dashed" ${place('telling')}></div>`)}${foot(1, 1)}`),
  ],
}

export const letter = {
  name: 'A harbour letter',
  pages: [
    page(`<h1>A harbour letter</h1><p class="from">Tides and harbours · sheet 6</p>
      <p>Write to somebody far away about one day in the harbour: what you hear first in the morning, what comes in with the tide, who works there, and what the evening smells like.</p>
      ${lines('letter', 19)}${foot(1, 2)}`),
    page(`<div style="height:2mm"></div>${lines('more', 22)}
      <p style="margin-top:7mm">When you are done, press <b>Speak</b> and read your letter aloud.</p>${foot(2, 2)}`),
  ],
}
