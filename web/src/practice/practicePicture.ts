import { onStop } from './practiceVoice.ts'

const SIZE = { width: 1280, height: 960 }
/** Pictures a second. */
const RATE = 12

/** A camera for practice: a bay whose tide comes and goes, with the time on it, until its track is stopped. */
export function practicePicture(): MediaStream {
  const canvas = Object.assign(document.createElement('canvas'), SIZE)
  const to = canvas.getContext('2d')!
  const draw = () => drawBay(to, Date.now())
  draw()
  const timer = setInterval(draw, 1000 / RATE)
  const stream = canvas.captureStream(RATE)
  onStop(stream, () => clearInterval(timer))
  return stream
}

function drawBay(to: CanvasRenderingContext2D, now: number): void {
  const { width, height } = SIZE
  const tide = height * (0.62 + 0.12 * Math.sin(now / 4000))
  to.fillStyle = '#f4e7c5'
  to.fillRect(0, 0, width, height)
  to.fillStyle = '#6f8f8c'
  to.beginPath()
  to.moveTo(0, height)
  for (let x = 0; x <= width; x += 20) to.lineTo(x, tide + 14 * Math.sin(x / 70 + now / 600))
  to.lineTo(width, height)
  to.fill()
  to.fillStyle = '#1e2b3a'
  to.fillRect(width * 0.78, height * 0.2, 16, height * 0.7)
  to.font = '600 64px serif'
  to.fillText('Saltmarsh bay', 70, 130)
  to.font = '44px sans-serif'
  to.fillText(new Date(now).toLocaleTimeString('en-GB'), 70, 200)
}
