import { z } from 'zod'
import { fixed, mmToUnit, unitMark } from '@/core/units'
import { listMachines } from '@/db/machine/read'
import { readLoad, type LoadCheck } from '@/stations/load/load-sheet'
import { profileOfAssembly } from '@/stations/rack/rack'
import { Row, Sheet, Title } from '@/ui/common/sheet'
import { ToolDrawing } from '@/ui/drawing/tool-drawing'
import { LoadPanel } from '@/ui/load/load-panel'
import { StationPage } from '../_parts/station'
import { context } from '../_server/context'
import { loadAction } from '../actions'

export const metadata = { title: 'Load' }

const text = z.string().max(4096).optional().catch(undefined)
const Query = z.object({ machine: text, serial: text, label: text })

const MARK: Record<LoadCheck['state'], { readonly shape: string; readonly look: string }> = {
  waits: { shape: '▲', look: 'text-act' },
  holds: { shape: '●', look: 'text-holds' },
  refused: { shape: '◆', look: 'text-off' },
}

export default async function LoadPage({ searchParams }: { readonly searchParams: Promise<Record<string, string>> }) {
  const scans = Query.parse(await searchParams)
  const house = await context()
  const sheet = readLoad(house.db, scans)
  const { machine, assembly, handover, checks, ready, pocket } = sheet
  const values = handover?.values
  const profile = assembly && profileOfAssembly(house.db, assembly)
  const say = (mm: number) => (machine ? `${fixed(mmToUnit(mm, machine.unit), machine.decimals)} ${unitMark(machine.unit)}` : '')
  const loadedNow = assembly?.state === 'loaded'
  return (
    <StationPage station="load" current={scans.serial ?? null}>
      <Sheet
        left={
          <>
            <Title lead={assembly ? `T${assembly.t ?? '?'}` : 'Load'}>
              {assembly ? assembly.name : 'scan the machine, the holder and its label, in any order'}
              {machine && (
                <>
                  {' '}
                  · into <b className="text-ink">{machine.name}</b>
                </>
              )}
            </Title>
            <div className="grid grid-cols-[1fr_250px] gap-6 max-[900px]:grid-cols-1">
              <ol data-testid="checks">
                {checks.map((c) => (
                  <li
                    key={c.rule}
                    className="border-rule grid min-h-[50px] grid-cols-[28px_1fr] items-center border-b py-2 text-[18px]"
                  >
                    <span className={`text-lg ${MARK[c.state].look}`} aria-label={c.state}>
                      {MARK[c.state].shape}
                    </span>
                    <span className={c.state === 'holds' ? '' : `font-semibold ${MARK[c.state].look}`}>{c.text}</span>
                  </li>
                ))}
              </ol>
              {assembly && profile && (
                <ToolDrawing
                  profile={profile}
                  unit={machine?.unit ?? house.unit}
                  width={250}
                  height={380}
                  title={assembly.name}
                  LF={values?.lengthMm ?? profile.highMm}
                  DC={values ? 2 * values.radiusMm : null}
                  RE={values?.cornerRadiusMm ?? null}
                />
              )}
            </div>
          </>
        }
        right={
          <>
            <h2 className="text-2xl font-bold">
              {machine ? `${machine.name}, figures in ${machine.unit}` : 'The machine’s figures'}
            </h2>
            {values && machine && (
              <>
                <Row name="Length" symbol="LF">
                  {say(values.lengthMm)}
                </Row>
                <Row name={machine.sizeRegister === 'radius' ? 'Radius' : 'Diameter'}>
                  {say(machine.sizeRegister === 'radius' ? values.radiusMm : 2 * values.radiusMm)}
                </Row>
              </>
            )}
            <LoadPanel
              key={`${scans.machine ?? ''}|${scans.serial ?? ''}|${scans.label ?? ''}`}
              machines={listMachines(house.db).map(({ key, name }) => ({ key, name }))}
              machine={machine && { key: machine.key, name: machine.name, decimals: machine.decimals }}
              serial={scans.serial ?? null}
              label={scans.label ?? null}
              ready={ready}
              refused={loadedNow ? null : (checks.find((c) => c.state === 'refused')?.text ?? null)}
              pocket={pocket}
              load={loadAction}
            />
          </>
        }
      />
    </StationPage>
  )
}
