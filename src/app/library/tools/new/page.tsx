import { Sheet, Title } from '@/ui/common/sheet'
import { ToolForm } from '../../../_parts/definition-form'

export const metadata = { title: 'A new tool' }

export default function NewToolPage() {
  return (
    <>
      <div />
      <Sheet
        left={
          <>
            <Title lead="A new tool">what a T number stands for</Title>
            <ToolForm definition={null} />
          </>
        }
      />
    </>
  )
}
