import { readMachineNames } from '@/stations/library/pages'
import { DefinitionForm } from '@/ui/library/definition-form'
import type { DefinitionFormProps } from '@/ui/library/definition-props'
import { signedIn } from '../_server/context'
import { putDefinitionAction, readArchetypeAction, readContourAction } from '../library/actions'

/** The form of a tool with what it needs to know of the library. */
export async function ToolForm({ definition, suggested }: Pick<DefinitionFormProps, 'definition' | 'suggested'>) {
  const { db } = await signedIn()
  return (
    <DefinitionForm
      definition={definition}
      suggested={suggested}
      machines={readMachineNames(db)}
      save={putDefinitionAction}
      readContour={readContourAction}
      readArchetype={readArchetypeAction}
    />
  )
}
