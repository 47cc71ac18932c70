import { listAssemblies } from '@/db/assembly/read'
import { Sheet, Title } from '@/ui/common/sheet'
import { StationPage } from '../_parts/station'
import { context } from '../_server/context'

export const metadata = { title: 'Hand over' }

export default async function HandoverStart() {
  const house = await context()
  const waiting = listAssemblies(house.db).filter((a) => a.state === 'measured').length
  return (
    <StationPage station="hand-over" current={null}>
      <Sheet
        left={
          <>
            <Title lead="Hand over">scan a measured tool, or take it from the rack</Title>
            <p className="max-w-[60ch] text-lg">
              A hand-over freezes the figures of the last measurement under a number, with a label and a post file for its
              machine. The machine’s control tries the file first; a figure that would come out different holds it back.
            </p>
            <p className="text-soft text-lg">
              {waiting === 0 ? 'Nothing waits here.' : waiting === 1 ? 'One tool waits here.' : `${waiting} tools wait here.`}
            </p>
          </>
        }
      />
    </StationPage>
  )
}
