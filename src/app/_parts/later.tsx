import { Sheet, Title } from '@/ui/common/sheet'

/** A station that is not built yet says in one line what it will do. */
export function Later({ name, will }: { readonly name: string; readonly will: string }) {
  return (
    <>
      <div className="border-stone h-[142px] border-b-2" />
      <Sheet
        left={
          <>
            <Title lead={name} />
            <p className="text-lg">{will}</p>
          </>
        }
      />
    </>
  )
}
