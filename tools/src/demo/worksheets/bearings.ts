import { foot, lines, page, place, question } from './parts.ts'

const MARKS = [
  ['Lighthouse', 430, 60],
  ['Chapel', 95, 95],
  ['Buoy', 285, 170],
  ['Pier head', 150, 250],
] as const

const chart = `<svg width="520pt" height="330pt" viewBox="0 0 520 330" ${place('chart')}>
  <rect width="520" height="330" rx="4" fill="#eef4f6" stroke="#1e2b3a"/>
  <path d="M0 40C60 60 70 130 40 180s20 90 90 110 60 40 60 40H0z" fill="#efe9d8" stroke="#8a7f5d"/>
  <path d="M520 10C470 30 440 20 400 45s10 60 60 60 40 40 60 40z" fill="#efe9d8" stroke="#8a7f5d"/>
  <path d="M480 230v70M480 230l-6 14h12z" stroke="#1e2b3a" fill="#1e2b3a"/><text x="480" y="222" text-anchor="middle">N</text>
  ${MARKS.map(([name, x, y]) => `<path d="M${x - 5} ${y}h10M${x} ${y - 5}v10" stroke="#1e2b3a" stroke-width="1.3"/><text x="${x + 9}" y="${y - 6}">${name}</text>`).join('')}
  <path d="M20 312h113.4M20 308v8M76.7 308v8M133.4 308v8" stroke="#1e2b3a"/><text x="20" y="303">0</text><text x="70" y="303">1</text><text x="124" y="303">2 km</text></svg>`

const rose = `<svg width="190pt" height="190pt" viewBox="-95 -95 190 190" ${place('rose')}>
  ${Array.from({ length: 36 }, (_, index) => `<path d="M0 -88V${index % 9 === 0 ? -70 : -80}" transform="rotate(${index * 10})" stroke="#1e2b3a" stroke-width="${index % 9 === 0 ? 1.4 : 0.7}"/>`).join('')}
  <circle r="88" fill="none" stroke="#1e2b3a"/>${['N', 'E', 'S', 'W'].map((letter, index) => `<text x="${58 * Math.sin((index * Math.PI) / 2)}" y="${-58 * Math.cos((index * Math.PI) / 2) + 3}" text-anchor="middle">${letter}</text>`).join('')}</svg>`

export const bearings = {
  name: 'Bearings across the bay',
  pages: [
    page(
      `<h1>Bearings across the bay</h1><p class="from">Tides and harbours · sheet 3 · ruler and protractor</p>
      <div style="display:grid;grid-template-columns:auto 1fr;gap:9mm">${chart}<div>
      ${question(1, '<p>Draw the way from the pier head to the buoy. What is its bearing?</p>')}<div class="lines" ${place('buoy')}><div></div></div>
      ${question(2, '<p>How far is it, to the nearest 100 m?</p>')}<div class="lines" ${place('far')}><div></div></div>
      ${question(3, '<p>From the buoy, the lighthouse is at:</p>')}<div class="lines" ${place('light')}><div></div></div></div></div>${foot(1, 2)}`,
      true,
    ),
    page(
      `<h2 style="margin-top:0">There and back</h2><div style="display:grid;grid-template-columns:1fr 200pt;gap:10mm"><div>
      ${question(4, `<p>A bearing out is 064°. What is the bearing back? Show how you find it.</p>${lines('back', 3)}`)}
      ${question(5, `<p>Write directions for a boat from the chapel to the lighthouse, past the buoy.</p>${lines('directions', 4)}`)}</div><div style="padding-top:8mm">${rose}</div></div>${foot(2, 2)}`,
      true,
    ),
  ],
}
