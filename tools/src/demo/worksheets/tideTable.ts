import { foot, lines, page, place, question } from './parts.ts'

const grid = () => {
  const width = 480
  const height = 200
  const hours = Array.from({ length: 25 }, (_, hour) => {
    const x = (hour / 24) * width
    const strong = hour % 6 === 0
    const label = strong
      ? `<text x="${x}" y="${height + 15}" text-anchor="middle">${String(hour).padStart(2, '0')}:00</text>`
      : ''
    return `<path d="M${x} 0V${height}" stroke="${strong ? '#9db6c8' : '#d3dfe7'}" stroke-width="${strong ? 0.9 : 0.5}"/>${label}`
  })
  const metres = Array.from({ length: 13 }, (_, half) => {
    const y = height - (half / 12) * height
    const strong = half % 4 === 0
    const label = strong ? `<text x="-8" y="${y + 3}" text-anchor="end">${half / 2} m</text>` : ''
    return `<path d="M0 ${y}H${width}" stroke="${strong ? '#9db6c8' : '#d3dfe7'}" stroke-width="${strong ? 0.9 : 0.5}"/>${label}`
  })
  return `<svg width="${width}pt" height="${height + 22}pt" viewBox="0 0 ${width} ${height + 22}" style="margin-left:8mm" ${place('graph')}>
    ${hours.join('')}${metres.join('')}<path d="M0 0V${height}H${width}" fill="none" stroke="#1e2b3a" stroke-width="1.4"/></svg>`
}

const table = `<table ${place('table')}><tr><th>Tide</th><th>Time</th><th>Height</th></tr>
  <tr><td>Low</td><td>04:10</td><td>0.8 m</td></tr><tr><td>High</td><td>10:25</td><td>5.3 m</td></tr>
  <tr><td>Low</td><td>16:40</td><td>1.1 m</td></tr><tr><td>High</td><td>22:50</td><td>5.0 m</td></tr></table>`

export const tideTable = {
  name: 'Reading a tide table',
  pages: [
    page(`<h1>Reading a tide table</h1><p class="from">Tides and harbours · sheet 2</p>
      ${question(1, `<p>How much does the water rise between the first low and the first high tide?</p>${table}`)}
      ${question(2, '<p>Draw the height of the water through the day.</p>')}${grid()}
      ${question(3, `<p>The ferry needs 2.5 m of water. When can it sail? Say how you know.</p>${lines('ferry', 3)}`)}${foot(1, 3)}`),
    page(`<h2 style="margin-top:0">The harbour at Saltmarsh</h2>
      ${question(
        4,
        `<p>The harbour wall stands 6.2 m above the bottom. How much of it is dry at each tide?</p>
      <table ${place('wall')}><tr><th>Tide</th><th>Height of the water</th><th>Dry wall</th></tr>
      ${['Low, 04:10', 'High, 10:25', 'Low, 16:40', 'High, 22:50'].map((tide) => `<tr><td>${tide}</td><td style="width:52mm">&nbsp;</td><td style="width:52mm">&nbsp;</td></tr>`).join('')}</table>`,
      )}
      ${question(5, `<p>Between which two tides does the water change least? Show your working.</p><div class="box" style="height:42mm" ${place('least')}></div>`)}
      ${question(6, `<p>A boat lies dry when there is less than 1.4 m of water. Mark on your graph when it lies dry, and tell here how long that is.</p>${lines('dry', 3)}`)}
      ${foot(2, 3)}`),
    page(`<h2 style="margin-top:0">Think further</h2>
      ${question(7, `<p>High tide comes about 50 minutes later each day. When is the first high tide tomorrow, and in one week?</p>${lines('later', 4)}`)}
      ${question(
        8,
        `<p>Draw the bay at low and at high tide, side by side. Show what the water covers.</p>
      <div style="display:flex;gap:6mm"><div class="box" style="flex:1;height:72mm" ${place('lowBay')}></div><div class="box" style="flex:1;height:72mm" ${place('highBay')}></div></div>`,
      )}
      ${question(9, '<p>Explain to somebody younger why there are tides. You may speak it.</p>')}${foot(3, 3)}`),
  ],
}
