/** Frame sets: a zip of `frameset.json` and 8-bit grey PNGs, as any camera could make them. */
import { strFromU8, strToU8, Unzip, UnzipInflate, zipSync } from 'fflate'
import { z } from 'zod'
import { concatBytes } from './bytes'
import { framePng, greyOfOwnPng, type PngReader } from './png'
import { FEATURES, keyOf, rowOf, type Feature, type ValueKey } from '@/core/features'
import { MOST_STEPS } from '@/core/judge'
import type { EdgeMeasurement, Picture, SetMeasurement } from '@/core/sets'
import type { FrameWarning } from '@/core/shapes'
import { fail, ok, roundTo, type Result } from '@/core/units'
import type { FrameFileFault, FrameSetError } from './faults'

export interface FrameSetLimits {
  readonly packedBytes: number
  readonly unpackedBytes: number
  readonly files: number
  /** Of all pictures together. */
  readonly pixels: number
}
export const FRAME_SET_LIMITS: FrameSetLimits = {
  packedBytes: 64 * 2 ** 20,
  unpackedBytes: 256 * 2 ** 20,
  files: 500,
  pixels: 1e9,
}
/** Width and height of one picture, px. */
export const PICTURE_SIDE_PX = 8192

const finite = z.number().finite()
const scale = z.number({ error: 'SCALE' }).finite().positive({ error: 'SCALE' })

const Header = z.object({
  format: z.literal('boulder-frameset/1', { error: 'FORMAT' }),
  mmPerPixel: z.object({ x: scale, z: scale }),
  // a hint only: whatever stands in it changes no value
  nominal: z.record(z.string(), z.unknown()).optional(),
  measure: z
    .array(z.enum(FEATURES, { error: 'FEATURE' }))
    .min(1)
    .optional(),
  turning: z.boolean().optional(),
  frames: z
    .array(
      z.object({
        file: z.string().min(1),
        edge: z.number().int().min(0),
        // which step of a measuring program; the frame-set route measures the tool itself, step 0
        stage: z.number().int().min(0).max(MOST_STEPS).optional(),
        spindle: finite.default(0),
        centreX: finite,
        centreZ: finite,
      }),
    )
    .min(1, { error: 'NO_FRAME' })
    .max(FRAME_SET_LIMITS.files),
})

export interface FrameSet {
  readonly mmPerPixel: { readonly x: number; readonly z: number }
  readonly nominal?: Readonly<Record<string, unknown>>
  readonly measure: readonly Feature[]
  /** Whether a turning tool is shown, whose body may leave the picture anywhere. */
  readonly turning?: boolean
  readonly pictures: readonly Picture[]
}

type PlainFault = Exclude<FrameFileFault['code'], 'OTHER_SIZE' | 'HEADER'>
const bad = (file: string, fault: PlainFault | FrameFileFault) =>
  fail({ code: 'BAD_FRAMESET' as const, file, fault: typeof fault === 'string' ? { code: fault } : fault })

/** A picture of a set, still packed. */
export interface PackedPicture extends Omit<Picture, 'frame'> {
  /** 8-bit grey, with its size looked at. */
  readonly png: Uint8Array
}

export interface OpenedFrameSet extends Omit<FrameSet, 'pictures'> {
  readonly pictures: readonly PackedPicture[]
}

/** Unpacks a set as far as its PNGs. @param zip the whole file; limits are counted while it is unpacked */
export function openFrameSet(zip: Uint8Array, limits: FrameSetLimits = FRAME_SET_LIMITS): Result<OpenedFrameSet, FrameSetError> {
  const files = unpack(zip, limits)
  if (!files.ok) return files
  const json = files.value.get('frameset.json')
  if (!json) return bad('frameset.json', 'MISSING')
  const header = parseHeader(strFromU8(json))
  if (!header.ok) return header
  const { mmPerPixel, nominal, frames } = header.value
  const pictures: PackedPicture[] = []
  let first: Size | null = null
  for (const frame of frames) {
    const png = files.value.get(frame.file)
    const size = sizeOf(frame.file, png)
    if (!size.ok) return size
    first ??= size.value
    const { width, height } = size.value
    if (width !== first.width || height !== first.height)
      return bad(frame.file, { code: 'OTHER_SIZE', is: [width, height], first: [first.width, first.height] })
    pictures.push({
      name: frame.file,
      png: png!,
      edge: frame.edge,
      ...(frame.stage ? { stage: frame.stage } : {}),
      spindleDeg: frame.spindle,
      centreX: frame.centreX,
      centreZ: frame.centreZ,
    })
  }
  const pixels = (first?.width ?? 0) * (first?.height ?? 0) * new Set(frames.map((frame) => frame.file)).size
  if (pixels > limits.pixels) return fail({ code: 'TOO_LARGE', what: 'pixels', most: limits.pixels })
  const usual: Feature[] = typeof nominal?.RE === 'number' && nominal.RE > 0 ? ['LF', 'DC', 'RE'] : ['LF', 'DC']
  const { turning } = header.value
  return ok({ mmPerPixel, nominal, measure: header.value.measure ?? usual, ...(turning ? { turning } : {}), pictures })
}

/** The pixels of opened pictures; one file that stands for several pictures is decoded once. */
export function decodePictures(
  packed: readonly PackedPicture[],
  read: PngReader = greyOfOwnPng,
): Result<Picture[], FrameSetError> {
  const decoded = new Map<string, Picture['frame']>()
  const pictures: Picture[] = []
  for (const { png, ...picture } of packed) {
    const known = decoded.get(picture.name)
    const frame = known ?? read(png)
    if ('fault' in frame) return bad(picture.name, frame.fault)
    decoded.set(picture.name, frame)
    pictures.push({ ...picture, frame })
  }
  return ok(pictures)
}

export function decodeFrameSet(zip: Uint8Array): Result<FrameSet, FrameSetError> {
  const opened = openFrameSet(zip)
  if (!opened.ok) return opened
  const pictures = decodePictures(opened.value.pictures)
  return pictures.ok ? ok({ ...opened.value, pictures: pictures.value }) : pictures
}

function unpack(zip: Uint8Array, limits: FrameSetLimits): Result<Map<string, Uint8Array>, FrameSetError> {
  if (zip.length > limits.packedBytes) return fail({ code: 'TOO_LARGE', what: 'packed', most: limits.packedBytes })
  const files = new Map<string, Uint8Array>()
  let bytes = 0
  let count = 0
  let broken = ''
  let tooLarge: FrameSetError | null = null
  const unzip = new Unzip((file) => {
    if (++count > limits.files) tooLarge = { code: 'TOO_LARGE', what: 'files', most: limits.files }
    if (tooLarge) return
    const chunks: Uint8Array[] = []
    file.ondata = (error, chunk, final) => {
      if (error) {
        broken ||= file.name
        return
      }
      bytes += chunk.length
      if (bytes > limits.unpackedBytes) {
        tooLarge = { code: 'TOO_LARGE', what: 'unpacked', most: limits.unpackedBytes }
        chunks.length = 0
        file.terminate()
        return
      }
      chunks.push(chunk)
      if (final) files.set(file.name, concatBytes(chunks))
    }
    file.start()
  })
  unzip.register(UnzipInflate)
  try {
    for (let at = 0; at < zip.length && !tooLarge; at += 65536) unzip.push(zip.subarray(at, at + 65536), at + 65536 >= zip.length)
  } catch {
    if (!tooLarge) return bad('the zip', 'NOT_UNPACKED')
  }
  if (tooLarge) return fail(tooLarge)
  if (broken) return bad(broken, 'NOT_UNPACKED')
  if (count === 0) return bad('the zip', 'NO_ZIP')
  return ok(files)
}

function parseHeader(text: string): Result<z.output<typeof Header>, FrameSetError> {
  let json: unknown
  try {
    json = JSON.parse(text)
  } catch {
    return bad('frameset.json', 'NO_JSON')
  }
  const parsed = Header.safeParse(json)
  if (parsed.success) return ok(parsed.data)
  const [issue] = parsed.error.issues
  const field = (['FORMAT', 'SCALE', 'FEATURE', 'NO_FRAME'] as const).find((code) => code === issue.message) ?? null
  return bad('frameset.json', { code: 'HEADER', path: issue.path.join('.'), field, detail: issue.message })
}

interface Size {
  readonly width: number
  readonly height: number
}

/** Width and height stand at fixed places of a PNG (ISO/IEC 15948, IHDR): looked at before anything is unpacked. */
function sizeOf(name: string, bytes: Uint8Array | undefined): Result<Size, FrameSetError> {
  if (!bytes) return bad(name, 'MISSING')
  if (bytes.length < 33) return bad(name, 'NO_PNG')
  const head = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength)
  const width = head.getUint32(16)
  const height = head.getUint32(20)
  if (width < 16 || height < 16 || width > PICTURE_SIDE_PX || height > PICTURE_SIDE_PX) return bad(name, 'BAD_SIZE')
  return ok({ width, height })
}

/** The set as a zip; PNGs are packed already and are stored. */
export function zipFrameSet(set: OpenedFrameSet): Uint8Array<ArrayBuffer> {
  const header = {
    format: 'boulder-frameset/1',
    mmPerPixel: set.mmPerPixel,
    ...(set.nominal ? { nominal: set.nominal } : {}),
    measure: set.measure,
    ...(set.turning ? { turning: true } : {}),
    frames: set.pictures.map((p) => ({
      file: p.name,
      edge: p.edge,
      ...(p.stage ? { stage: p.stage } : {}),
      spindle: p.spindleDeg,
      centreX: p.centreX,
      centreZ: p.centreZ,
    })),
  }
  const files: Record<string, Uint8Array> = { 'frameset.json': strToU8(JSON.stringify(header)) }
  for (const p of set.pictures) files[p.name] = p.png
  return zipSync(files, { level: 0 }) as Uint8Array<ArrayBuffer>
}

export const encodeFrameSet = (set: FrameSet): Uint8Array<ArrayBuffer> =>
  zipFrameSet({ ...set, pictures: set.pictures.map(({ frame, ...p }) => ({ ...p, png: framePng(frame) })) })

const mm = (value: number | null | undefined) => (value === null || value === undefined ? null : roundTo(value, 6))

/** Order of the values in an answer. */
const ORDER = ['DC', 'LF', 'RE', 'SIG', 'KAPR', 'CHW', 'KCH', 'SCX', 'SCZ'] as const satisfies readonly Feature[]
/** Asked symbols that stand under their lower-case name in the summary too. */
const ANGLES_AND_SIDES = FEATURES.filter((f) => f !== 'RE' && rowOf(f).ofEdges === 'mean')

export interface FrameSetAnswer {
  readonly edges: readonly ({
    readonly edge: number
    readonly spindle: number
    readonly focus: number
    readonly sigma: Readonly<Record<string, number | null>>
    readonly debris: readonly unknown[]
  } & Partial<Readonly<Record<ValueKey, number | null>>>)[]
  readonly summary: Readonly<Partial<Record<keyof SetMeasurement['summary'] | ValueKey, number | null>>>
  readonly warnings: readonly { readonly edge: number; readonly code: string; readonly text: string }[]
}

/** The answer of the frame-set route. Asked symbols stand under their lower-case names. @param say a warning in words */
export function frameSetAnswer(set: SetMeasurement, say: (edge: number, warning: FrameWarning) => string): FrameSetAnswer {
  const asked = (feature: Feature) => set.measure.includes(feature)
  const values = (e: EdgeMeasurement, part: 'value' | 'sigma') =>
    Object.fromEntries(ORDER.filter(asked).map((f) => [keyOf(f), mm(e[keyOf(f)]?.[part])]))
  return {
    edges: set.edges.map((e) => ({
      edge: e.edge,
      spindle: e.spindleDeg,
      ...values(e, 'value'),
      ...(e.nose ? { q: e.nose.q, cx: mm(e.nose.cx.value), cz: mm(e.nose.cz.value) } : {}),
      sigma: values(e, 'sigma'),
      focus: e.focus,
      debris: e.debris.map((d) => ({ x: mm(d.x), z: mm(d.z), area: mm(d.area) })),
    })),
    summary: {
      ...(asked('LF') ? { LF: mm(set.summary.LF), axialRunout: mm(set.summary.axialRunout) } : {}),
      ...(asked('DC') ? { DC: mm(set.summary.DC), radialRunout: mm(set.summary.radialRunout) } : {}),
      ...(asked('RE') ? { RE: mm(set.summary.RE) } : {}),
      ...Object.fromEntries(ANGLES_AND_SIDES.filter(asked).map((f) => [keyOf(f), mm(set.summary[f])])),
    },
    warnings: set.warnings.map(({ edge, warning }) => ({ edge, code: warning.code, text: say(edge, warning) })),
  }
}
