import { readdirSync, readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { expect, test } from '@jest/globals'
import ts from 'typescript'

const root = fileURLToPath(new URL('../../..', import.meta.url))
const sources = ['web/src', 'core/src', 'server/src'].flatMap((folder) =>
  readdirSync(`${root}/${folder}`, { recursive: true, encoding: 'utf8' })
    .map((file) => `${folder}/${file}`)
    .filter((file) => /\.tsx?$/.test(file) && !/\.test\.tsx?$|\/test\//.test(file)),
)

/** Every word that code can put on a screen: what stands in quotes, templates and markup. No comments, no names. */
function wordsOf(file: string): string[] {
  const found: string[] = []
  const source = ts.createSourceFile(
    file,
    readFileSync(`${root}/${file}`, 'utf8'),
    ts.ScriptTarget.ESNext,
    false,
  )
  const visit = (node: ts.Node): void => {
    if (ts.isStringLiteralLike(node) || ts.isJsxText(node) || ts.isTemplateHead(node)) found.push(node.text)
    else if (ts.isTemplateMiddle(node) || ts.isTemplateTail(node)) found.push(node.text)
    ts.forEachChild(node, visit)
  }
  visit(source)
  return found.map((text) => text.replace(/\s+/g, ' ').trim())
}

/** What stopped children and teachers, and was replaced by plain words. */
const REPLACED = [
  /^Put on$/,
  /^Let go$/,
  /^Again$/,
  /^Copied$/,
  /^Round$/,
  /^Cut off$/,
  /^Turn the pages?$/,
  /^Lying$/,
  /^Apart\b/,
  /letter to slide/,
  /^(Two|Three) overlapping$/,
  /for my eyes/,
  /pens lie/,
  /One key alone/,
  /Make it like this/,
  /Not touched yet/,
  /Hand in all the same/,
  /kept here/,
  /ink lies on your/,
  /slip does not open/,
  /Who is in (which|no) set/,
  /what to tell them/i,
  /\d written on$|\} written on$/,
  /Back to the table/,
  /[Ii]nstructions/,
  /^To do$/,
  /[Pp]ut (it )?on the page/,
  /^Take (page|option|curve|the pages?|the spoken)\b/,
  /Place to (drop|speak)/,
  /Place for a photo/,
  /Begin anew/,
  /Not all will be used/,
  /[Ww]ide screen/,
  /^(let go|the same again|say more of it)$/,
  /Can’t reach school/,
]

test('no screen says what was replaced by plain words', () => {
  const said = sources.flatMap((file) => wordsOf(file).map((words) => ({ file, words })))
  expect(said.length).toBeGreaterThan(3000)
  for (const replaced of REPLACED)
    expect(
      said.filter(({ words }) => replaced.test(words)).map(({ file, words }) => `${file}: ${words}`),
    ).toEqual([])
})
