// Tries to sign in, many at once, from a process of their own: node tries.mjs URL COUNT
import { Agent, request } from 'node:http'

const [url, count] = [new URL('/api/sign-in/teacher', process.argv[2]), Number(process.argv[3])]
const agent = new Agent({ keepAlive: true, maxSockets: 2000 })
const answers = {}
let left = count
const over = () => {
  if (--left === 0) {
    console.log(JSON.stringify(answers))
    process.exit(0)
  }
}
for (let index = 0; index < count; index++) {
  const body = JSON.stringify({ name: `Teacher ${index % 50}`, password: `guess ${index}` })
  const headers = { 'content-type': 'application/json', 'content-length': Buffer.byteLength(body) }
  const asked = request(url, { method: 'POST', agent, headers }, (answer) => {
    answers[answer.statusCode] = (answers[answer.statusCode] ?? 0) + 1
    answer.resume()
    answer.once('end', over)
  })
  asked.once('error', () => {
    answers.lost = (answers.lost ?? 0) + 1
    over()
  })
  asked.end(body)
}
