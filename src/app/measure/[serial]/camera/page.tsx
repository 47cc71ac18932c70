import { notFound } from 'next/navigation'
import { readCameraPage } from '@/stations/measure/check-camera'
import { CameraStation } from '@/ui/measure/camera-station'
import { StationPage } from '../../../_parts/station'
import { signedIn } from '../../../_server/context'
import { serialOf } from '../../../_server/params'
import { cameraStateAction } from '../../actions'
import { say } from '@/words/screens/measure'

export const metadata = { title: say.measure }

export default async function CameraPage({ params }: { readonly params: Promise<{ serial: string }> }) {
  const serial = serialOf((await params).serial)
  const { db } = await signedIn()
  const page = readCameraPage(db, serial)
  if (!page) notFound()
  const { sheet, masters } = page
  const { assembly, definition, steps, program, last } = sheet
  return (
    <StationPage station="measure" current={serial}>
      <CameraStation
        key={`${serial}-${last?.id ?? 0}-${program?.version ?? 0}`}
        serial={serial}
        title={assembly.t === null ? serial : `T${assembly.t}`}
        about={assembly.name}
        coupling={assembly.coupling}
        masters={masters}
        edges={definition?.edges ?? 1}
        turning={definition?.toolClass === 'turn'}
        features={steps[0].features}
        program={program?.version ?? 0}
        state={cameraStateAction}
      />
    </StationPage>
  )
}
