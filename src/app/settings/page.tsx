import { isLead } from '@/core/tool'
import { ACTION_CARD, encodeBadge, encodeMachineLabel, TEST_CODE } from '@/codecs/label-text'
import { codeSvg } from '@/codecs/label-picture'
import { readSettings } from '@/stations/practice/settings'
import { Sheet, Title } from '@/ui/common/sheet'
import { SETTINGS_TABS, SubNav } from '@/ui/common/sub-nav'
import { PicturesKept } from '@/ui/measure/pictures-kept'
import { CopiesKept } from '@/ui/settings/copies-kept'
import { PracticeTable } from '@/ui/settings/practice-table'
import { ScannerSetup } from '@/ui/shell/scanner-setup'
import { ThemeChoice, ShowsChoice } from '@/ui/shell/theme-choice'
import { signedIn } from '../_server/context'
import { watchSnapshots } from '../_server/watch-snapshots'
import { cleanPicturesAction, keepPracticeAction } from './actions'
import { refusalText } from '@/words/refusals'
import { say } from '@/words/screens/settings'

export const metadata = { title: say.settings }

export default async function SettingsPage() {
  const shop = await signedIn()
  const lead = isLead(shop.person)
  const { machines, masters, practice } = readSettings(shop.db)
  const codes = [
    ...machines.map((m) => ({
      name: m.name,
      about: say.revMinFiguresIn(m.about, m.coupling, m.greatestRpm.toLocaleString('en'), m.unit),
      text: encodeMachineLabel(m.key),
    })),
    ...shop.people.map((p) => ({ name: p.name, about: say.badgeRole(p.role), text: encodeBadge(p.id) })),
    ...masters.map((m) => ({ name: m.name, about: say.markOfTheMasterFor(m.coupling), text: m.mark })),
    { name: say.actionCard, about: say.doesWhatTheBigButton, text: ACTION_CARD },
  ]
  const kept = shop.evidence.list()
  return (
    <>
      <div />
      <Sheet
        left={
          <>
            <SubNav tabs={SETTINGS_TABS} label={say.settings} />
            <Title lead={say.settings} />
            <h2 className="text-2xl font-bold">{say.look}</h2>
            <ThemeChoice />
            <ShowsChoice />
            <p className="text-soft">{say.largerText}</p>
            <h2 className="mt-3 text-2xl font-bold">{say.shopValues}</h2>
            <p className="text-soft">{say.valuesOfThisShopEvery(lead ? '.' : say.aLeadCanChangeThem)}</p>
            <PracticeTable practice={practice} lead={lead} keep={keepPracticeAction} />
            <h2 className="mt-3 text-2xl font-bold">{say.codesToPrint}</h2>
            <ul className="grid grid-cols-2 gap-x-8 max-[1300px]:grid-cols-1">
              {codes.map(({ name, about, text }) => (
                <li key={text} className="border-rule flex items-center gap-4 border-b py-3">
                  <span
                    className="block size-[88px] shrink-0 bg-white p-2"
                    dangerouslySetInnerHTML={{ __html: codeSvg('datamatrix', text) }}
                    role="img"
                    aria-label={say.codeText(text)}
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
              <h2 className="text-2xl font-bold">{say.scannerOfThisTerminal}</h2>
              <p className="text-soft">{say.aSlowScannerIsTaken}</p>
              <span
                className="my-2 block size-[120px] bg-white p-2"
                dangerouslySetInnerHTML={{ __html: codeSvg('datamatrix', TEST_CODE) }}
                role="img"
                aria-label={say.testCode}
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
            <Copies />
          </>
        }
      />
    </>
  )
}

async function Copies() {
  const shop = await signedIn()
  const copies = shop.snapshots.list()
  const copy = copies.find(({ before }) => before === null)
  const { fault } = watchSnapshots(shop)
  return (
    <CopiesKept
      last={copy ? new Date(copy.atMs).toISOString() : null}
      count={copies.length}
      bytes={copies.reduce((sum, c) => sum + c.bytes, 0)}
      folder={shop.snapshots.folder}
      fault={fault && refusalText({ code: fault }, shop.units)}
    />
  )
}
