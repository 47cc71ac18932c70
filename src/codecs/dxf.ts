/** A tool's nominal contour as DXF: lines and arcs in one chain, in the plane x (radius) and y (height). */
import { DxfWriter, point3d, Units } from '@tarikjabiri/dxf'
import DxfParser from 'dxf-parser'
import type { ContourPiece } from '@/core/tool'
import { fail, MM_PER_INCH, ok, type Result } from '@/core/units'
import type { DxfFault } from './faults'

interface Point {
  readonly x: number
  readonly y: number
}
interface Entity {
  readonly type: string
  readonly vertices?: readonly (Point & { readonly bulge?: number })[]
  readonly center?: Point
  readonly radius?: number
  readonly startAngle?: number
  readonly endAngle?: number
  readonly shape?: boolean
}

export const DXF_LIMITS = { characters: 4 * 2 ** 20, lines: 200_000, pieces: 2000 } as const

const DEG = 180 / Math.PI
/** Ends that lie closer than this are one point, mm. */
const JOIN_MM = 0.002

/** $INSUNITS: 1 inch, 4 millimetre; anything else says nothing. */
const MM_PER_UNIT: Readonly<Record<number, number>> = { 1: MM_PER_INCH, 4: 1 }

const tooMany = fail({ code: 'TOO_MANY_PIECES' as const, most: DXF_LIMITS.pieces })

/** @errors what cannot be used, with the entity; nothing of the drawing is used then */
export function decodeContour(text: string): Result<ContourPiece[], DxfFault> {
  // the parser looks at trailing blank lines again and again
  const drawing = text.trimEnd()
  if ((drawing.match(/\r\n|\r|\n/g)?.length ?? 0) > DXF_LIMITS.lines) return tooMany
  let parsed: { header?: Record<string, unknown>; entities: Entity[] } | null
  try {
    parsed = new DxfParser().parseSync(drawing) as unknown as typeof parsed
  } catch {
    parsed = null
  }
  if (!parsed || !Array.isArray(parsed.entities)) return fail({ code: 'NO_DXF' })
  if (parsed.entities.length === 0) return fail({ code: 'EMPTY_DRAWING' })
  const scale = MM_PER_UNIT[Number(parsed.header?.$INSUNITS)]
  if (scale === undefined) return fail({ code: 'NO_DRAWING_UNIT' })
  const pieces: ContourPiece[] = []
  for (const [i, entity] of parsed.entities.entries()) {
    const read = piecesOf(entity, scale)
    if (!read?.every(isSound)) return fail({ code: 'ENTITY', entity: i + 1, type: entity.type })
    pieces.push(...read)
    if (pieces.length > DXF_LIMITS.pieces) return tooMany
  }
  return chain(pieces)
}

function piecesOf(e: Entity, scale: number): ContourPiece[] | null {
  const at = ({ x, y }: Point) => [x * scale, y * scale] as const
  if (e.type === 'LINE' && e.vertices?.length === 2) return [{ type: 'line', from: at(e.vertices[0]), to: at(e.vertices[1]) }]
  if ((e.type === 'LWPOLYLINE' || e.type === 'POLYLINE') && e.vertices && !e.vertices.some((v) => v.bulge)) {
    const closed = e.shape ? [...e.vertices, e.vertices[0]] : e.vertices
    return closed.slice(1).map((to, i) => ({ type: 'line', from: at(closed[i]), to: at(to) }))
  }
  if (e.type === 'ARC' && e.center && e.radius && e.radius > 0) {
    const from = e.startAngle ?? 0
    let to = e.endAngle ?? 0
    // a turn more or less is usual; a number that no angle is would be counted up for ever
    if (!(Math.abs(from) <= MOST_RAD && Math.abs(to) <= MOST_RAD)) return null
    while (to <= from) to += 2 * Math.PI
    return [{ type: 'arc', centre: at(e.center), radiusMm: e.radius * scale, fromRad: from, toRad: to }]
  }
  return null
}

const MOST_RAD = 100

/** Every number is one: a reader makes NaN of a coordinate that is spoilt. */
const isSound = (piece: ContourPiece): boolean =>
  Object.values(piece)
    .flat()
    .every((x) => typeof x === 'string' || Number.isFinite(x))

type End = readonly [number, number]
const endsOf = (p: ContourPiece): readonly [End, End] => {
  if (p.type === 'line') return [p.from, p.to]
  const at = (a: number): End => [p.centre[0] + p.radiusMm * Math.cos(a), p.centre[1] + p.radiusMm * Math.sin(a)]
  return [at(p.fromRad), at(p.toRad)]
}
const turned = (p: ContourPiece): ContourPiece =>
  p.type === 'line' ? { ...p, from: p.to, to: p.from } : { ...p, fromRad: p.toRad, toRad: p.fromRad }
const meet = (a: End, b: End) => Math.hypot(a[0] - b[0], a[1] - b[1]) < JOIN_MM

/** Orders and turns the pieces so that each begins where the one before ends. */
function chain(pieces: readonly ContourPiece[]): Result<ContourPiece[], DxfFault> {
  const left = [...pieces]
  // start at an end that nothing else touches, so that an open contour is walked from one end to the other
  const loose = left.findIndex((p) =>
    endsOf(p).some((end) => !left.some((q) => q !== p && endsOf(q).some((other) => meet(end, other)))),
  )
  const [first] = left.splice(Math.max(0, loose), 1)
  const [start] = endsOf(first)
  const startsLoose = !left.some((q) => endsOf(q).some((end) => meet(start, end)))
  const ordered = [startsLoose ? first : turned(first)]
  while (left.length) {
    const end = endsOf(ordered[ordered.length - 1])[1]
    const i = left.findIndex((p) => endsOf(p).some((other) => meet(end, other)))
    if (i < 0) return fail({ code: 'BREAKS_OFF', xMm: end[0], yMm: end[1], pieces: left.length })
    const [next] = left.splice(i, 1)
    ordered.push(meet(endsOf(next)[0], end) ? next : turned(next))
  }
  return ok(ordered)
}

export function encodeContour(pieces: readonly ContourPiece[]): string {
  const dxf = new DxfWriter()
  dxf.setUnits(Units.Millimeters)
  for (const p of pieces) {
    if (p.type === 'line') dxf.addLine(point3d(p.from[0], p.from[1]), point3d(p.to[0], p.to[1]))
    else {
      const [a, b] = p.fromRad <= p.toRad ? [p.fromRad, p.toRad] : [p.toRad, p.fromRad]
      dxf.addArc(point3d(p.centre[0], p.centre[1]), p.radiusMm, a * DEG, b * DEG)
    }
  }
  return dxf.stringify()
}
