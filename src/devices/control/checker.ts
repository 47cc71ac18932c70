/** Runs a file on an empty table of any machine: an interpreter beside the server, which no machine hangs on. */
import type { Machine } from '@/core/tool'
import type { Result } from '@/core/units'
import { askProbe, askTable } from './http'
import type { ControlError, ControlTable } from './port'

/** @param base address such as http://127.0.0.1:3001 */
export function tryOnChecker(
  base: string,
  { kind, post, unit, decimals, sizeRegister, registers }: Machine,
  text: string,
): Promise<Result<ControlTable, ControlError>> {
  const facts = new URLSearchParams({
    kind,
    dialect: post === 'rs274-mill' ? 'rs274' : 'word address',
    unit,
    decimals: String(decimals),
    sizeIs: sizeRegister,
    highestTool: String(registers.max),
  })
  return askTable(`${base}/check?${facts}`, text)
}

/** Runs a check block. @param setter where the tool setter stands, and how much longer the tool is than its offset says: the machine's unit */
export const probeOnChecker = (base: string, text: string, { at, off }: { readonly at: number; readonly off: number }) =>
  askProbe(`${base}/probe?${new URLSearchParams({ at: String(at), off: String(off) })}`, text)
