import { Later } from '../_parts/later'

export const metadata = { title: 'Return' }

export default function ReturnPage() {
  return (
    <Later
      name="Return"
      will="Return will take wear and used life back from the machine, and ask whether the tool is used again, measured again or taken apart."
    />
  )
}
