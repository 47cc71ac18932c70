import { SHIPPED_POSTS } from '@/codecs/post'
import { tableOf } from '@/core/tool'
import { listAssemblies } from '@/db/assembly/read'
import { getMachine, getPostTemplate, listMachines, listPosts } from '@/db/machine/read'
import { HANDOVER_TABS } from '@/ui/common/sub-nav'
import { PostEditor } from '@/ui/hand-over/post-editor'
import { NoMachine } from '../../_parts/no-machine'
import { context } from '../../_server/context'
import { keepPostAction, tryTemplateAction } from '../actions'

export const metadata = { title: 'Posts' }

export default async function PostsPage({
  searchParams,
}: {
  readonly searchParams: Promise<{ machine?: string | string[]; post?: string | string[] }>
}) {
  const asked = await searchParams
  const shop = await context()
  const machines = listMachines(shop.db)
  const machine = (typeof asked.machine === 'string' && getMachine(shop.db, asked.machine)) || machines[0]
  if (!machine) return <NoMachine lead="Posts" tabs={HANDOVER_TABS} label="Sheets of Hand over" />
  const posts = [...new Set([...Object.keys(SHIPPED_POSTS), ...listPosts(shop.db)])].sort()
  const post = typeof asked.post === 'string' && posts.includes(asked.post) ? asked.post : machine.post
  const tools = listAssemblies(shop.db)
    .filter((a) => a.state !== 'built' && a.t !== null && a.coupling === machine.coupling)
    .map((a) => ({ serial: a.serial, name: `T${a.t} ${a.name}` }))
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
        shipped={post in SHIPPED_POSTS}
        template={getPostTemplate(shop.db, post) ?? SHIPPED_POSTS[post] ?? ''}
        options={{ ...tableOf(machine), sizeRegister: machine.sizeRegister, decimals: machine.decimals }}
        tools={tools}
        lead={shop.person?.role === 'lead'}
        tryTemplate={tryTemplateAction}
        keep={keepPostAction}
      />
    </>
  )
}
