/**
 * Files of the library, read back by other means: CSV by RFC 4180 through papaparse, XML through fast-xml-parser, DXF by its
 * own group codes. Element names and codes of MTConnect Part 4 and ISO 13399 symbols from memory.
 */
import { XMLParser } from 'fast-xml-parser'
import Papa from 'papaparse'
import { describe, expect, it } from 'vitest'
import { decodeCsv, encodeCsv } from '@/codecs/csv'
import { decodeDefinitions, encodeDefinitions } from '@/codecs/definitions-csv'
import { decodeContour, encodeContour } from '@/codecs/dxf'
import { decodeLibrary, encodeLibrary } from '@/codecs/library-json'
import { encodeParts, readParts, suggestMapping } from '@/codecs/parts-csv'
import { decodeArchetype, encodeArchetype } from '@/codecs/tool-archetype'
import { decodeToolList } from '@/codecs/tool-list'
import type { Component, ContourPiece, Definition } from '@/core/tool'
import { seedFile } from '../../../scripts/fill-library'
import { fileFaultText } from '@/words/files'

const parts = seedFile<Component[]>('components.json')
const definitions = seedFile<Definition[]>('definitions.json')
const NONE: ReadonlySet<string> = new Set()
const table = (text: string) => {
  const read = decodeCsv(text)
  if (!read.ok) throw new Error(fileFaultText(read.error))
  return read.value
}
const faults = (text: string, kind: Parameters<typeof readParts>[2] = null) => {
  const t = table(text)
  const read = readParts(t, suggestMapping(t.columns), kind, { known: NONE })
  return read.ok ? [] : read.error.map((f) => `${f.line} ${f.column}: ${fileFaultText(f.said)}`)
}

describe('CSV', () => {
  it('keeps commas, quotes and line ends inside a cell, as another reader sees them', () => {
    const rows = [['a,b', 'say "x"', 'two\nlines', 3, null, '=1+1']]
    const text = encodeCsv(['1', '2', '3', '4', '5', '6'], rows)
    expect(text.endsWith('\r\n')).toBe(true)
    expect(Papa.parse<string[]>(text.trimEnd()).data[1]).toEqual(['a,b', 'say "x"', 'two\nlines', '3', '', "'=1+1"])
  })
  it('reads comma, semicolon and tab, a mark at the start, and blank lines', () => {
    for (const d of [',', ';', '\t']) expect(table(`﻿a${d}b\r\n\r\n1${d}2\r\n`).rows).toEqual([['1', '2']])
  })
  it.each([
    ['', 'column names'],
    ['a,b\n', 'at least one row'],
    ['a,a\n1,2', 'two columns'],
    ['a,b\n1,2,3', 'Line 2 has 3 cells'],
    ['a,b\n1,"2', 'not closed'],
  ])('%j: %s', (text, words) => {
    const read = decodeCsv(text)
    expect(read.ok ? '' : fileFaultText(read.error)).toContain(words)
  })
})

describe('parts as CSV', () => {
  it('come back as they went out, every kind of the demo', () => {
    const t = table(encodeParts(parts))
    const read = readParts(t, suggestMapping(t.columns), null, { known: NONE })
    expect(read.ok ? read.value : read.error).toEqual(
      parts.map(({ reground, ...rest }) => (reground ? { ...rest, reground } : rest)),
    )
  })
  it('in inches, by the column’s name or the cell’s own unit', () => {
    const t = table('id,name,kind,colletSystem,colletSize,DCX [in],OAL,WT\nK1,k,collet,ISO 15488,25,1/2,34 mm,0.07')
    const read = readParts(t, suggestMapping(t.columns), null, { known: NONE })
    expect(read.ok && read.value[0]).toMatchObject({ DCX: 12.7, OAL: 34 })
  })
  it.each([
    [
      'a missing unit',
      'id,name,DCX,OAL [mm],WT,colletSystem,colletSize\nK1,k,10,34,0.07,ISO 15488,25',
      '2 DCX: “10” has no unit',
    ],
    ['zero', 'id,name,DCX [mm],OAL [mm],WT,colletSystem,colletSize\nK1,k,0,34,0.07,ISO 15488,25', '(DCX) 0 is outside'],
    ['a negative', 'id,name,DCX [mm],OAL [mm],WT,colletSystem,colletSize\nK1,k,-3,34,0.07,ISO 15488,25', '(DCX) -3 is outside'],
    [
      'three digits after a comma',
      'id;name;DCX [mm];OAL [mm];WT;colletSystem;colletSize\nK1;k;1,234;34;0.07;ISO 15488;25',
      'may be 1.234 or 1234',
    ],
    [
      'a number twice',
      'id,name,DCX [mm],OAL [mm],WT,colletSystem,colletSize\nK1,k,9,34,0.07,ISO 15488,25\nK1,k,9,34,0.07,ISO 15488,25',
      '3 : K1 is already in line 2',
    ],
    ['no number column', 'name,DCX [mm]\nk,9', 'No column is chosen for the part’s number'],
  ])('%s', (_, text, words) => expect(faults(text, 'collet').join('\n')).toContain(words))
  it('a list of 50,000 rows with faults in it: each told by its line, nothing taken', () => {
    const bad = new Set([17, 4711, 40_000])
    const rows = Array.from({ length: 50_000 }, (_, i) => `K${i},collet ${i},${bad.has(i) ? 'x' : 10},34,0.07,ISO 15488,25`)
    const found = faults(`id,name,DCX [mm],OAL [mm],WT,colletSystem,colletSize\n${rows.join('\n')}`, 'collet')
    expect(found).toEqual([...bad].map((i) => `${i + 2} DCX [mm]: “x” is not a length.`))
  })
})

describe('tools as CSV and JSON', () => {
  it('come back as they went out', () => {
    const back = decodeDefinitions(encodeDefinitions(definitions))
    expect(back.ok ? back.value : back.error).toEqual(definitions.map((d) => ({ ...d, version: 0 })))
    const library = { parts, definitions }
    const read = decodeLibrary(encodeLibrary(library))
    expect(read.ok && read.value).toEqual(library)
  })
  it.each([
    ['no JSON', '{', 'not JSON'],
    ['another format', '{"format":"x"}', 'format'],
    ['a bad part', JSON.stringify({ format: 'boulder-library/1', parts: [{ ...parts[0], DCONWS: -1 }] }), 'is outside'],
    [
      'a bad tool',
      JSON.stringify({ format: 'boulder-library/1', definitions: [{ ...definitions[0], t: 0 }] }),
      'definitions › 0 › t',
    ],
  ])('%s is refused with the place', (_, text, words) => {
    const read = decodeLibrary(text)
    expect(read.ok ? '' : fileFaultText(read.error)).toContain(words)
  })
  it('a tool CSV whose lengths name no unit is refused', () => {
    const read = decodeDefinitions('id,T,name,class,machines,LF\nD,1,n,finish,HERON,100')
    expect(read.ok ? [] : read.error.map((f) => f.column)).toContain('LF [mm]')
  })
})

describe('a tool list', () => {
  it('needs a column T, and takes name, count and minutes', () => {
    const read = decodeToolList('T;name;count;minutes\nT6;drill;2;3,5\n31;mill;;')
    expect(read.ok && read.value).toEqual([
      { t: 6, name: 'drill', count: 2, minutesEach: 3.5, source: 'tool list' },
      { t: 31, name: 'mill', count: 1, minutesEach: null, source: 'tool list' },
    ])
  })
  it.each([
    ['name\nx', 'No column is called T'],
    ['T\n0', '“0” is not a T number'],
    ['T,count\n1,0', 'not a number of tools'],
    ['T\n4\n4', 'already in the list'],
  ])('%j', (text, words) => {
    const read = decodeToolList(text)
    expect(read.ok ? '' : fileFaultText(read.error)).toContain(words)
  })
})

describe('an archetype in XML', () => {
  const d = definitions.find((x) => x.id === 'D-0012')!
  const xml = encodeArchetype(d, 'HSK-A63', '2026-11-25T08:00:00Z')
  it('is well formed, with names and codes of Part 4', () => {
    const tree = new XMLParser({ ignoreAttributes: false, attributeNamePrefix: '@' }).parse(xml) as never
    const life = (tree as Record<string, Record<string, Record<string, Record<string, Record<string, unknown>>>>>).MTConnectAssets
      .Assets.CuttingToolArchetype.CuttingToolLifeCycle as Record<string, Record<string, Record<string, string>>>
    expect(life.Measurements.FunctionalLength).toEqual({
      '@code': 'LF',
      '@units': 'MILLIMETER',
      '@nominal': '152',
      '@minimum': '151.9',
      '@maximum': '152.1',
    })
    expect(life.Measurements.CuttingDiameterMax['@code']).toBe('DC')
    expect(life.CuttingItems['@count']).toBe('6')
    expect(xml).toContain('<CornerRadius code="RE"')
    expect(xml).toContain('<ConnectionCodeMachineSide>HSK-A63</ConnectionCodeMachineSide>')
  })
  it('reads back what it says', () => {
    const read = decodeArchetype(xml)
    expect(read.ok && read.value).toMatchObject({
      toolId: 'D-0012',
      t: 12,
      edges: 6,
      LF: d.LF,
      DC: d.DC,
      RE: d.RE,
      programRpm: 8000,
      lifeMin: 90,
      coupling: 'HSK-A63',
    })
  })
  it.each([
    ['<a>', 'not XML that can be read'],
    ['<?xml version="1.0"?><!DOCTYPE a [<!ENTITY x "y">]><a>&x;</a>', 'document type'],
    ['<a/>', 'no cutting tool archetype'],
    [xml.replace('MILLIMETER', 'INCH'), 'is in INCH'],
  ])('%#: refused in words', (text, words) => {
    const read = decodeArchetype(text)
    expect(read.ok ? '' : fileFaultText(read.error)).toContain(words)
  })
})

describe('a contour in DXF', () => {
  const contour: ContourPiece[] = [
    { type: 'line', from: [10, 0], to: [10, 20] },
    { type: 'arc', centre: [8, 20], radiusMm: 2, fromRad: 0, toRad: Math.PI / 2 },
    { type: 'line', from: [8, 22], to: [0, 22.5] },
  ]
  const pairs = (text: string) => text.split(/\r?\n/)
  const drawing = (entities: string, units = '70\n4') =>
    `0\nSECTION\n2\nHEADER\n9\n$INSUNITS\n${units}\n0\nENDSEC\n0\nSECTION\n2\nENTITIES\n${entities}0\nENDSEC\n0\nEOF\n`
  const line = (x1: number, y1: number, x2: number, y2: number) => `0\nLINE\n8\n0\n10\n${x1}\n20\n${y1}\n11\n${x2}\n21\n${y2}\n`
  it('goes out as lines and arcs in millimetres, and comes back', () => {
    const text = encodeContour(contour)
    expect(pairs(text).filter((l) => l === 'LINE')).toHaveLength(2)
    expect(pairs(text).filter((l) => l === 'ARC')).toHaveLength(1)
    const back = decodeContour(text)
    expect(back.ok && back.value).toEqual(contour)
  })
  it('is put in order and turned where a piece was drawn the other way', () => {
    const read = decodeContour(drawing(line(5, 30, 5, 10) + line(0, 30, 5, 30) + line(8, 0, 8, 10) + line(5, 10, 8, 10)))
    expect(read.ok && read.value.map((p) => p.type === 'line' && [p.from, p.to])).toEqual([
      [
        [0, 30],
        [5, 30],
      ],
      [
        [5, 30],
        [5, 10],
      ],
      [
        [5, 10],
        [8, 10],
      ],
      [
        [8, 10],
        [8, 0],
      ],
    ])
  })
  it('in inches is turned into millimetres', () => {
    const read = decodeContour(drawing(line(0, 0, 1, 0), '70\n1'))
    expect(read.ok && read.value[0]).toMatchObject({ to: [25.4, 0] })
  })
  it.each([
    ['no drawing', 'hello', 'not a DXF'],
    ['no unit', drawing(line(0, 0, 1, 0), '70\n0'), 'has no unit'],
    ['a spline', drawing('0\nSPLINE\n8\n0\n70\n8\n71\n3\n72\n0\n73\n0\n74\n0\n'), 'Turn splines into arcs'],
    ['a gap', drawing(line(0, 0, 1, 0) + line(2, 0, 3, 0)), 'ends at x'],
    ['nothing', drawing(''), 'empty'],
  ])('%s', (_, text, words) => {
    const read = decodeContour(text)
    expect(read.ok ? '' : fileFaultText(read.error)).toContain(words)
  })
})
