/** Why a file cannot be read. */
import type { FieldCode, FieldFaultOfFile, FileFault, FrameFileFault, FrameSetError } from '@/codecs/faults'
import { FEATURES } from '@/core/features'
import { partFaultText } from './part'

const FIELDS: Readonly<Record<FieldCode, string>> = {
  TOOL_NUMBER: 'Give the tool a number.',
  T_NUMBER: 'A T number is 1 or more.',
  TOOL_NAME: 'Give the tool a name.',
  PARTS_LIST: 'The parts list is empty.',
  MEASURE: 'Say what is to be measured.',
  MACHINES: 'Say which machines it may go into.',
  SPEED: 'Say how fast the programs turn it.',
}

function fieldText({ field, least, most }: FieldFaultOfFile): string {
  if (field) return FIELDS[field]
  if (least !== null) return `It must be at least ${least}.`
  if (most !== null) return `It must be at most ${most}.`
  return 'It is missing, or of the wrong kind.'
}

export function fileFaultText(fault: FileFault): string {
  switch (fault.code) {
    case 'OPEN_QUOTE':
      return `Line ${fault.line}: a quotation mark is not closed.`
    case 'NO_ROWS':
      return 'The file needs a line of column names and at least one row below it.'
    case 'COLUMN_TWICE':
      return `There are two columns “${fault.column}”. Give each its own name.`
    case 'UNEVEN_ROW':
      return `Line ${fault.row} has ${fault.cells} cells, the first line has ${fault.columns}. Put a text with a comma in quotation marks.`
    case 'TOO_MANY_ROWS':
      return `A table can have ${fault.most} rows at most. Save it as several files.`
    case 'TOO_MANY_COLUMNS':
      return `A table can have ${fault.most} columns at most. Leave out what is not needed.`
    case 'COLUMN_MISSING':
      return `The column “${fault.column}” is missing. Lengths must have their unit in the column’s name.`
    case 'NOT_MAPPED':
      return {
        id: 'No column is chosen for the part’s number.',
        name: 'No column is chosen for the name.',
        kind: 'Choose the kind of part, or a column for it.',
      }[fault.key]
    case 'PART_KNOWN':
      return `${fault.id} is already in the library.`
    case 'PART_TWICE':
      return `${fault.id} is already in line ${fault.line}.`
    case 'NOT_POSITIVE':
      return `“${fault.cell}” is not a number from 0.`
    case 'NOT_A_NUMBER':
      return `“${fault.cell}” is not a number.`
    case 'NO_UNIT':
      return `“${fault.cell}” has no unit. Choose mm or inch for this column, or write the unit in the cell.`
    case 'NOT_A_LENGTH':
      return fault.error.code === 'COMMA_AMBIGUOUS'
        ? `“${fault.cell}” may be ${fault.error.asDecimal} or ${fault.error.asThousands}. Write it with a point.`
        : `“${fault.cell}” is not a length.`
    case 'PART':
      return partFaultText(fault.fault)
    case 'FIELD':
      return fieldText(fault)
    case 'NO_T_COLUMN':
      return 'No column is called T. The first line names the columns: T, name, count, minutes.'
    case 'BAD_T':
      return `Line ${fault.line}: “${fault.cell}” is not a T number.`
    case 'BAD_COUNT':
      return `Line ${fault.line}: “${fault.cell}” is not a number of tools (1 to 20).`
    case 'BAD_MINUTES':
      return `Line ${fault.line}: “${fault.cell}” is not a number of minutes.`
    case 'T_TWICE':
      return `Line ${fault.line}: T${fault.t} is already in the list. Use the column count for sister tools.`
    case 'NO_JSON':
      return 'The file is not JSON.'
    case 'AT':
      return `${fault.path.length ? `At ${fault.path.join(' › ')}: ` : ''}${fieldText(fault.said)}`
    case 'PART_OF_FILE':
      return `Part ${fault.part}: ${partFaultText(fault.fault)}`
    case 'NO_DXF':
      return 'The file is not a DXF drawing that can be read.'
    case 'EMPTY_DRAWING':
      return 'The drawing is empty.'
    case 'NO_DRAWING_UNIT':
      return 'The drawing has no unit ($INSUNITS must be 4, millimetres, or 1, inches). Save it with a unit.'
    case 'ENTITY':
      return `Entity ${fault.entity} is a ${fault.type}. Only lines, arcs and polylines of straight pieces can be read. Turn splines into arcs first.`
    case 'TOO_MANY_PIECES':
      return `A contour can have ${fault.most} lines and arcs at most. Save the outline alone, without the rest of the drawing.`
    case 'BREAKS_OFF':
      return `The contour ends at x ${fault.xMm.toFixed(3)} mm, y ${fault.yMm.toFixed(3)} mm: ${fault.pieces} pieces do not join.`
    case 'NO_XML':
      return `The file is not XML that can be read: ${fault.detail}${fault.line === null ? '' : ` (line ${fault.line})`}.`
    case 'DOCUMENT_TYPE':
      return 'A file with a document type is not read.'
    case 'NO_ARCHETYPE':
      return 'The file has no cutting tool archetype with a life cycle.'
    case 'FOREIGN_UNIT':
      return `${fault.element} is in ${fault.unit}. Only MILLIMETER can be read.`
  }
}

function frameFileText(fault: FrameFileFault): string {
  switch (fault.code) {
    case 'MISSING':
      return 'is missing from the zip'
    case 'NOT_UNPACKED':
      return 'cannot be unpacked'
    case 'NO_ZIP':
      return 'is not a zip file, or is empty'
    case 'NO_JSON':
      return 'is not JSON'
    case 'NO_PNG':
      return 'is not a PNG'
    case 'DAMAGED':
      return 'is not a PNG, or is damaged'
    case 'NOT_GREY':
      return 'must be 8-bit grey'
    case 'CUT_OFF':
      return 'is cut off'
    case 'BAD_SIZE':
      return 'must have between 16×16 and 8192×8192 pixels'
    case 'OTHER_SIZE':
      return `is ${fault.is.join('×')}, the first picture ${fault.first.join('×')}; all must be of one size`
    case 'HEADER': {
      const said = {
        FORMAT: 'must be boulder-frameset/1',
        SCALE: 'must be a number above 0',
        FEATURE: `has a feature that is not known; known are ${FEATURES.join(', ')}`,
        NO_FRAME: 'has no picture',
      }
      return `${fault.path || 'it'} ${fault.field ? said[fault.field] : fault.detail}`
    }
  }
}

const MB = 2 ** 20

export function frameSetErrorText(error: FrameSetError): string {
  if (error.code === 'BAD_FRAMESET') return `${error.file}: ${frameFileText(error.fault)}`
  return {
    packed: `A frame set can have ${error.most / MB} MB at most.`,
    files: `A frame set can have ${error.most} files at most.`,
    unpacked: `A frame set can unpack to ${error.most / MB} MB at most.`,
    pixels: `The pictures of a frame set can have ${error.most / 1e6} million pixels at most.`,
  }[error.what]
}
