import fc from 'fast-check'
import type { z } from 'zod'

/** What a Zod schema is made of, as far as the kinds use it. */
interface Def {
  readonly type: string
  readonly format?: string
  readonly checks?: readonly { readonly _zod: { readonly def: Check } }[]
  readonly shape?: Record<string, z.ZodType>
  readonly entries?: Record<string, string>
  readonly values?: readonly unknown[]
  readonly element?: z.ZodType
  readonly items?: readonly z.ZodType[]
  readonly options?: readonly z.ZodType[]
  readonly innerType?: z.ZodType
  readonly keyType?: z.ZodType
  readonly valueType?: z.ZodType
}
interface Check {
  readonly check: string
  readonly value?: number
  readonly minimum?: number
  readonly maximum?: number
  readonly pattern?: RegExp
}

/** Lists as long as they may be would make no better tests. */
const MOST = 4

/** Values that a schema takes: whatever it asks for comes from the schema itself, so that a new field needs no generator. */
export function fromSchema<T>(schema: z.ZodType<T>): fc.Arbitrary<T> {
  return anything(schema)
    .filter((value) => schema.safeParse(value).success)
    .map((value) => schema.parse(value))
}

function anything(schema: z.ZodType): fc.Arbitrary<unknown> {
  const def = schema._zod.def as unknown as Def
  const checks = (def.checks ?? []).map(({ _zod }) => _zod.def)
  const limit = (check: string, of: 'value' | 'minimum' | 'maximum') =>
    checks.find((each) => each.check === check)?.[of]
  switch (def.type) {
    case 'object':
      return fc.record(
        Object.fromEntries(Object.entries(def.shape!).map(([key, of]) => [key, anything(of)])),
        { requiredKeys: Object.keys(def.shape!).filter((key) => kindOf(def.shape![key]!) !== 'optional') },
      )
    case 'string': {
      if (def.format === 'uuid') return fc.uuid({ version: 4 })
      const pattern = checks.find(({ check }) => check === 'string_format')?.pattern
      // Capital letters or not makes no difference to what is made.
      if (pattern) return fc.stringMatching(new RegExp(pattern.source))
      return fc.string({
        minLength: limit('min_length', 'minimum') ?? 0,
        maxLength: Math.min(30, limit('max_length', 'maximum') ?? 30),
      })
    }
    case 'number': {
      const min = limit('greater_than', 'value') ?? -1e6
      const max = limit('less_than', 'value') ?? 1e6
      const isWhole = checks.some(({ check }) => check === 'number_format')
      if (isWhole)
        return fc.integer({ min: Math.ceil(Math.max(min, -1e9)), max: Math.floor(Math.min(max, 1e9)) })
      return fc.double({ min, max, noNaN: true, noDefaultInfinity: true })
    }
    case 'boolean':
      return fc.boolean()
    case 'literal':
      return fc.constantFrom(...def.values!)
    case 'enum':
      return fc.constantFrom(...Object.values(def.entries!))
    case 'array': {
      const minLength = limit('min_length', 'minimum') ?? 0
      return fc.array(anything(def.element!), { minLength, maxLength: Math.max(minLength, MOST) })
    }
    case 'tuple':
      return fc.tuple(...def.items!.map(anything))
    case 'record':
      return fc.dictionary(anything(def.keyType!) as fc.Arbitrary<string>, anything(def.valueType!), {
        maxKeys: MOST,
      })
    case 'union':
      return fc.oneof(...def.options!.map(anything))
    case 'optional':
    case 'default':
      return anything(def.innerType!)
    case 'nullable':
      return fc.option(anything(def.innerType!))
    default:
      throw new Error(`no values are made for a schema of type ${def.type}`)
  }
}

const kindOf = (schema: z.ZodType): string => (schema._zod.def as unknown as Def).type
