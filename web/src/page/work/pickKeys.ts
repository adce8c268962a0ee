import { holdKeys } from '../holding/holdKeys.ts'
import type { KeyGroup } from '../keys/keyActs.ts'
import { pressedByKeys } from '../keys/takesKeys.ts'
import type { Picking } from '../picking/usePicking.ts'
import type { Tools } from '../tools/useTools.ts'
import { keysOfTools } from './pageKeys.ts'

/**
 * Picking up, and everything that is done to what is picked up. `putHere` puts the thing in hand where one looks;
 * `closeLarge` ends writing large.
 */
export function pickKeys(
  picking: Picking,
  tools: Tools,
  putHere: () => void,
  closeLarge: () => void,
): KeyGroup {
  const picked = picking.items.length > 0
  return {
    title: 'Picking up',
    acts: [
      ...keysOfTools(tools, 'Picking up'),
      { keys: [']'], words: 'pick the next thing', run: () => next(1) },
      { keys: ['['], words: 'pick the thing before', run: () => next(-1) },
      { keys: ['a'], control: true, words: 'pick all that is mine', run: () => picking.pickAll() },
      ...holdKeys({ any: () => picked, ...picking }),
      { keys: ['Escape'], words: 'done', run: done },
      { keys: ['Enter'], words: 'put down what is in hand', run: put },
    ],
  }

  function next(by: 1 | -1) {
    return tools.tool === 'pick' && picking.pickNext(by)
  }

  function done() {
    if (picked) picking.letGo()
    else if (tools.tool === 'fill') tools.setTool('pen')
    else closeLarge()
  }

  function put({ target }: KeyboardEvent) {
    return tools.tool === 'put' && !pressedByKeys(target) && putHere()
  }
}
