/** What a verb takes and answers, said once: form, action, route, verb and test share it. */
import { z } from 'zod'
import { readMark } from '@/core/tool'
import type { Result } from '@/core/units'

export interface Contract<S extends z.ZodType = z.ZodType, A = unknown> {
  readonly input: S
  /** Only a type: what the verb answers. */
  readonly answer?: A
}

/** @example contract<{ id: string }>()(z.object({ … })) */
export const contract =
  <A = null>() =>
  <S extends z.ZodType>(input: S): Contract<S, A> => ({ input })

/** What whoever asks hands over. */
export type Asked<C extends Contract> = z.input<C['input']>
/** The same, as the verb gets it. */
export type Given<C extends Contract> = z.output<C['input']>
export type Answer<C> = C extends Contract<z.ZodType, infer A> ? A : never

/** A refusal in words, with its code. */
export interface Said {
  readonly code: string
  readonly text: string
}

/** A verb as a sheet calls it. */
export type Ask<C extends Contract> = (given: Asked<C>) => Promise<Result<Answer<C>, Said>>

/** What may be wrong with a field; `src/words` has the sentences. */
export type FieldFault =
  | 'MARK'
  | 'PERSON_ID'
  | 'PIN'
  | 'SCOPES'
  | 'EVENTS'
  | 'STUDY_SEVERAL'
  | 'STUDY_ONE'
  | 'WEB_ADDRESS'
  | 'JOB_NUMBER'
  | 'T_NUMBER'
  | 'CHOOSE_MACHINE'
  | 'START'
  | 'DAY'
  | 'PARTS_COUNT'
  | 'PIECES'
  | 'FOUND'
  | 'WHOLE'
  | 'AT_LEAST_ONE'
  | 'PROGRAM_SIZE'
  | 'PROGRAM_COUNT'
  | 'LIST_SIZE'
  | 'TABLE_SIZE'
  | 'FILE_SIZE'
  | 'TEMPLATE_SIZE'
  | 'NOTE_LENGTH'
  | 'LINE_LENGTH'
  | 'WHY'
  | 'NAME'
  | 'POST_NAME'
  | 'LABEL_WIDTH'
  | 'LABEL_HEIGHT'
  | 'SISTER_STEP'
  | 'STEP_NAME'
  | 'STEP_TITLE'
  | 'STEP_TEXT'
  | 'CERTIFICATE_LENGTH'
  | 'CERTIFICATE_DIAMETER'
  | 'CERTIFICATE_DAY'

/** The fault as Zod carries it. */
export const fault = (code: FieldFault): FieldFault => code

// fields that many contracts have

export const Serial = z.string().transform((text, context) => {
  const mark = readMark(text)
  if (mark === null) context.addIssue({ code: 'custom', message: fault('MARK') })
  return mark ?? ''
})
export const OneSerial = z.object({ serial: Serial })
export const OneId = z.object({ id: z.number().int().positive() })
export const Ids = z.array(z.number().int().positive()).min(1).max(200)
/** How often a row was changed, as the page had it that is saved now. */
export const Version = z.number().int().min(1)
export const MachineKey = z.string().max(20)
/** The name of a coupling; whether the shop's table has it is looked up by the verb. */
export const CouplingName = z.string().trim().min(1).max(40)
export const PartId = z.string().max(60)
export const PlaceId = z.string().max(40).nullable()
export const Pieces = z
  .number({ error: fault('PIECES') })
  .int(fault('WHOLE'))
  .min(1, fault('AT_LEAST_ONE'))
  .max(100_000)
/** A reason that is wanted. */
export const Why = z.string().trim().min(3, fault('WHY')).max(300)
/** A reason that may be given. */
export const WhyOrNull = z.string().trim().max(300).nullable()
