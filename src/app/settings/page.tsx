import { ACTION_CARD, encodeBadge, encodeMachineLabel, TEST_CODE } from '@/codecs/label-text'
import { codeSvg } from '@/codecs/label-picture'
import { readSettings } from '@/stations/practice/settings'
import { Sheet, Title } from '@/ui/common/sheet'
import { PicturesKept } from '@/ui/measure/pictures-kept'
import { PracticeTable } from '@/ui/settings/practice-table'
import { ScannerSetup } from '@/ui/shell/scanner-setup'
import { ThemeChoice } from '@/ui/shell/theme-choice'
import { context } from '../_server/context'
import { cleanPicturesAction, keepPracticeAction } from './actions'

export const metadata = { title: 'Settings' }

export default async function SettingsPage() {
  const shop = await context()
  const lead = shop.person?.role === 'lead'
  const { machines, masters, practice } = readSettings(shop.db)
  const codes = [
    ...machines.map((m) => ({
      name: m.name,
      about: `${m.about} · ${m.coupling} · ${m.greatestRpm.toLocaleString('en')} rev/min · figures in ${m.unit}`,
      text: encodeMachineLabel(m.key),
    })),
    ...shop.people.map((p) => ({ name: p.name, about: `badge · ${p.role}`, text: encodeBadge(p.id) })),
    ...masters.map((m) => ({ name: m.name, about: `mark of the master for ${m.coupling}`, text: m.mark })),
    { name: 'Action card', about: 'does what the big button on the screen does. Keep it at the bench', text: ACTION_CARD },
  ]
  const kept = shop.evidence.list()
  return (
    <>
      <div />
      <Sheet
        left={
          <>
            <Title lead="Settings" />
            <h2 className="text-2xl font-bold">Look</h2>
            <ThemeChoice />
            <h2 className="mt-3 text-2xl font-bold">Shop values</h2>
            <p className="text-soft">
              Values of this shop. Every calculation uses them
              {lead ? '.' : '. A lead can change them.'}
            </p>
            <PracticeTable practice={practice} lead={lead} keep={keepPracticeAction} />
            <h2 className="mt-3 text-2xl font-bold">Codes to print</h2>
            <ul className="grid grid-cols-2 gap-x-8 max-[1300px]:grid-cols-1">
              {codes.map(({ name, about, text }) => (
                <li key={text} className="border-rule flex items-center gap-4 border-b py-3">
                  <span
                    className="block size-[88px] shrink-0 bg-white p-2"
                    dangerouslySetInnerHTML={{ __html: codeSvg('datamatrix', text) }}
                    role="img"
                    aria-label={`Code ${text}`}
                  />
                  <span>
                    <b className="font-head block text-xl">{name}</b>
                    <span className="text-soft block">{about}</span>
                    <code className="text-[14px]">{text}</code>
                  </span>
                </li>
              ))}
            </ul>
          </>
        }
        right={
          <>
            <section className="mb-4">
              <h2 className="text-2xl font-bold">Scanner of this terminal</h2>
              <p className="text-soft">A slow scanner is taken for typing. Scan this code once to set it up.</p>
              <span
                className="my-2 block size-[120px] bg-white p-2"
                dangerouslySetInnerHTML={{ __html: codeSvg('datamatrix', TEST_CODE) }}
                role="img"
                aria-label="Test code"
              />
              <ScannerSetup code={TEST_CODE} />
            </section>
            <PicturesKept
              sets={kept.length}
              bytes={kept.reduce((sum, p) => sum + p.bytes, 0)}
              oldest={kept.length ? kept.reduce((a, b) => (b.at < a.at ? b : a)).at.slice(0, 10) : null}
              lead={lead}
              clean={cleanPicturesAction}
            />
          </>
        }
      />
    </>
  )
}
