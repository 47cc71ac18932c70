import { readRules } from '@/stations/load/pages'
import { mayOverrule } from '@/core/load'
import { isLead, loadLimitsOf, LOAD_RULES, magazineOf, type LoadRule, type MayOverrule } from '@/core/tool'
import { LOAD_TABS } from '@/ui/common/sub-nav'
import { RulesForm } from '@/ui/load/rules-form'
import { NoMachine } from '../../_parts/no-machine'
import { signedIn } from '../../_server/context'
import { keepLimitsAction } from '../actions'
import { say } from '@/words/screens/load'

export const metadata = { title: say.rulesOfLoading }

export default async function RulesPage({ searchParams }: { readonly searchParams: Promise<{ machine?: string | string[] }> }) {
  const { machine: asked } = await searchParams
  const shop = await signedIn()
  const sheet = readRules(shop.db, typeof asked === 'string' ? asked : null)
  if (!sheet) return <NoMachine lead={say.rules} tabs={LOAD_TABS} label={say.sheetsOfLoad} />
  const { machine, machines } = sheet
  const may = Object.fromEntries(LOAD_RULES.map((rule) => [rule, mayOverrule(rule, machine)])) as Record<LoadRule, MayOverrule>
  return (
    <>
      <div />
      <RulesForm
        key={`${machine.key}-${JSON.stringify(machine.limits ?? null)}`}
        machine={{ key: machine.key, name: machine.name, pockets: machine.pockets, version: machine.version }}
        machines={machines.map(({ key, name }) => ({ key, name }))}
        limits={loadLimitsOf(machine)}
        magazine={magazineOf(machine)}
        may={may}
        lead={isLead(shop.person)}
        keep={keepLimitsAction}
      />
    </>
  )
}
