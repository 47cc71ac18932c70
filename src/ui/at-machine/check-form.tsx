import { useState } from 'react'
import { toast } from 'sonner'
import { typedNumber } from '@/core/units'
import { say } from '@/words/screens/at-machine'
import { BigAction, SmallAction, SmallActions } from '../common/actions'
import { LengthField, NumberField, SelectField } from '../common/form'
import { Problem } from '../common/sheet'
import { useAct } from '../common/use-act'
import { useLength } from '../common/use-length'
import { useUnit } from '../shell/shell-context'
import type { AtMachineProps } from './at-machine-props'

/** Common practice, no source: what an insert may change, mm, and how fast a setter is touched, mm/min. */
const [ALLOWED_MM, FEED_MM, CLEAR_MM] = [0.1, 100, 20]

/** What the block is to look at, as it is typed; `given` is null until it can be asked for. */
function useAsked({ key, kind }: AtMachineProps['machine']) {
  const unit = useUnit()
  const [t, setT] = useState('')
  const [feature, setFeature] = useState<Feature>(kind === 'lathe' ? 'X' : 'length')
  const [label, setLabel] = useState('101')
  const allowed = useLength(ALLOWED_MM, unit)
  const setter = useLength(0, unit)
  const clear = useLength(CLEAR_MM, unit)
  const feed = useLength(FEED_MM, unit)
  const [number, branch] = [typedNumber(t.replace(/^t/i, '')), typedNumber(label)]
  const [allowedMm, setterMm, clearMm, feedMm] = [allowed.mm, setter.mm, clear.mm, feed.mm]
  const ready = Number.isInteger(number) && Number.isInteger(branch)
  const given =
    ready && allowedMm !== null && setterMm !== null && clearMm !== null && feedMm !== null
      ? { machine: key, t: number, feature, allowedMm, setterMm, clearMm, feedMm, label: branch }
      : null
  return { t, setT, feature, setFeature, label, setLabel, allowed, setter, clear, feed, given }
}
type Feature = 'length' | 'X' | 'Z'

/** The block that stops a program whose tool is worn or broken. */
export function CheckForm({ machine, check, keepCheck, lead }: Pick<AtMachineProps, 'machine' | 'check' | 'keepCheck' | 'lead'>) {
  const { busy, problem, run } = useAct()
  const asked = useAsked(machine)
  const { given } = asked
  const [text, setText] = useState<string | null>(null)
  // what a lead writes instead of the machine’s template; null: nothing
  const [draft, setDraft] = useState<string | null>(null)
  const keep = (template: string | null) =>
    given &&
    void run(
      () => keepCheck({ ...given, template, version: machine.version }),
      () => setDraft(null),
      say.templateSaved,
    )
  if (text !== null) return <Written text={text} again={() => setText(null)} />
  return (
    <>
      <Fields asked={asked} kind={machine.kind} />
      {draft !== null && (
        <label className="mt-2 block">
          <span className="font-head text-lg font-semibold">{say.template}</span>
          <textarea
            className="textarea h-[210px] w-full font-mono text-[14px] leading-snug"
            spellCheck={false}
            value={draft}
            onChange={(event) => setDraft(event.target.value)}
          />
        </label>
      )}
      <div className="mt-auto pt-2">
        <Problem lead={say.notWritten} text={problem} />
        {draft === null && <p className="text-soft mb-2">{say.forRs274}</p>}
        <BigAction
          disabled={busy || !given}
          onAct={() =>
            given &&
            void run(
              () => check({ ...given, template: draft }),
              (answer) => setText(answer.text),
            )
          }
        >
          {draft === null ? say.writeBlock : say.tryTemplate}
        </BigAction>
        {lead && (
          <SmallActions>
            {draft === null ? (
              <SmallAction onAct={() => setDraft(machine.template)}>{say.changeTemplate}</SmallAction>
            ) : (
              <SmallAction onAct={() => setDraft(null)}>{say.cancel}</SmallAction>
            )}
            {draft !== null && (
              <SmallAction disabled={busy || !given} onAct={() => keep(draft)}>
                {say.saveTemplate}
              </SmallAction>
            )}
            {machine.ownTemplate && (
              <SmallAction disabled={busy || !given} onAct={() => keep(null)}>
                {say.standardTemplate}
              </SmallAction>
            )}
          </SmallActions>
        )}
      </div>
    </>
  )
}

function Fields({ asked, kind }: { readonly asked: ReturnType<typeof useAsked>; readonly kind: 'mill' | 'lathe' }) {
  const { t, setT, feature, setFeature, label, setLabel, allowed, setter, clear, feed } = asked
  return (
    <div className="mt-2 grid grid-cols-2 gap-x-3 gap-y-2">
      <NumberField label={say.t} decimals={false} value={t} onChange={(event) => setT(event.target.value)} />
      <SelectField label={say.feature} value={feature} onChange={(event) => setFeature(event.target.value as Feature)}>
        {(kind === 'lathe' ? (['X', 'Z'] as const) : (['length'] as const)).map((one) => (
          <option key={one}>{one}</option>
        ))}
      </SelectField>
      <LengthField label={say.allowed} error={allowed.error} {...allowed.field} />
      <LengthField label={say.setter} error={setter.error} {...setter.field} />
      <LengthField label={say.clear} error={clear.error} {...clear.field} />
      <LengthField label={say.feed} error={feed.error} {...feed.field} />
      <NumberField
        label={say.branch}
        symbol="O"
        decimals={false}
        value={label}
        onChange={(event) => setLabel(event.target.value)}
      />
    </div>
  )
}

/** The block that was written, to be copied. */
function Written({ text, again }: { readonly text: string; readonly again: () => void }) {
  return (
    <>
      <pre className="border-rule bg-ground mt-2 overflow-x-auto border p-3 text-[15px]" data-testid="check-block" tabIndex={0}>
        {text}
      </pre>
      <p className="text-soft mt-2">{say.checkTried}</p>
      <div className="mt-auto pt-2">
        <BigAction onAct={() => void navigator.clipboard.writeText(text).then(() => toast(say.copied))}>
          {say.copyBlock}
        </BigAction>
        <SmallActions>
          <SmallAction onAct={again}>{say.anotherBlock}</SmallAction>
        </SmallActions>
      </div>
    </>
  )
}
