import { isLead } from '@/core/tool'
import { readPostEditor } from '@/stations/hand-over/pages'
import { HANDOVER_TABS } from '@/ui/common/sub-nav'
import { PostEditor } from '@/ui/hand-over/post-editor'
import { NoMachine } from '../../_parts/no-machine'
import { signedIn } from '../../_server/context'
import { keepPostAction, tryTemplateAction } from '../actions'
import { say } from '@/words/screens/hand-over'

export const metadata = { title: say.posts }

export default async function PostsPage({
  searchParams,
}: {
  readonly searchParams: Promise<{ machine?: string | string[]; post?: string | string[] }>
}) {
  const asked = await searchParams
  const shop = await signedIn()
  const one = (text: string | string[] | undefined) => (typeof text === 'string' ? text : null)
  const sheet = readPostEditor(shop.db, { machine: one(asked.machine), post: one(asked.post) })
  if (!sheet) return <NoMachine lead={say.posts} tabs={HANDOVER_TABS} label={say.sheetsOfHandOver} />
  const { machine, machines, posts, post, shipped, template, options, tools } = sheet
  return (
    <>
      <div />
      <PostEditor
        key={`${machine.key}-${post}-${machine.post}`}
        machine={{
          key: machine.key,
          name: machine.name,
          post: machine.post,
          unit: machine.unit,
          lathe: machine.kind === 'lathe',
          version: machine.version,
        }}
        machines={machines.map(({ key, name }) => ({ key, name }))}
        posts={posts}
        post={post}
        shipped={shipped}
        template={template}
        options={options}
        tools={tools}
        lead={isLead(shop.person)}
        tryTemplate={tryTemplateAction}
        keep={keepPostAction}
      />
    </>
  )
}
