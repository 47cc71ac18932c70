/** Many machines, each reached in its own way. */
import type { Control, Hands } from './port'

/** @param of the control of a machine, looked up at each question: what was set up a moment ago counts */
export function routedControl(of: (machine: string) => Control & Partial<Hands>): Control & Hands {
  return {
    table: (machine) => of(machine).table(machine),
    tryFile: (machine, text) => of(machine).tryFile(machine, text),
    run: (machine, text) => of(machine).run(machine, text),
    state: (machine) => of(machine).state(machine),
    turnTo: (machine, pocket) => of(machine).turnTo(machine, pocket),
    assign: (machine, pocket, t) => of(machine).assign(machine, pocket, t),
    act: (machine, act) => {
      const { act: hand, state } = of(machine)
      return hand ? hand(machine, act) : state(machine)
    },
  }
}
