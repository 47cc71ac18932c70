/** Which devices a shop has, of the kinds that Boulder can work with. */

export const DEVICES = {
  /** What measures: its stand-in; the terminal's camera, which stands still; a gauge on a serial line; any bench whose values are typed. */
  bench: ['stand-in', 'camera', 'line', 'typed'],
  /** `none`: it heats by its own panel, and Boulder leads through it without a line. */
  shrink: ['stand-in', 'none'],
  spindle: ['stand-in', 'none'],
  /** `nfc`: whatever tablet has it reads and writes the chip by itself. `file`: a program of the reader's own brings the carrier's bytes as a file, and takes them back. */
  tag: ['stand-in', 'file', 'nfc', 'none'],
  /** Pictures of labels in a folder, or sent to a printer at a network port: as a PNG, or as a PDF. */
  printer: ['folder', 'network', 'network-pdf'],
} as const

export type Device = keyof typeof DEVICES
export const DEVICE_NAMES = Object.keys(DEVICES) as Device[]
export type DeviceChoice = { readonly [D in Device]: (typeof DEVICES)[D][number] }

export interface Devices extends DeviceChoice {
  /** Of the printer: `host` or `host:port`; null where it is none of the network. */
  readonly printerAddress: string | null
  /** Of the gauge on a line: `host:port`; null where it is the one that the server was started with. */
  readonly benchAddress: string | null
}

/** What a terminal has of its own; what is left out is as the shop has it. */
export type OwnDevices = Partial<Devices>

/** Before anybody chose: stand-ins where they were asked for, and otherwise nothing that is not there. */
export const usualDevices = (standIns: boolean): Devices => ({
  ...(standIns
    ? { bench: 'stand-in', shrink: 'stand-in', spindle: 'stand-in', tag: 'stand-in' }
    : { bench: 'typed', shrink: 'none', spindle: 'none', tag: 'none' }),
  printer: 'folder',
  printerAddress: null,
  benchAddress: null,
})

/**
 * A choice of a stand-in counts only where stand-ins were asked for: a real shop never measures with one.
 * @param own of the terminal
 */
export function devicesHere(chosen: Partial<Devices> | null, standIns: boolean, own: OwnDevices = {}): Devices {
  const usual = usualDevices(standIns)
  const all = { ...usual, ...chosen, ...own }
  return standIns
    ? all
    : {
        ...all,
        bench: all.bench === 'stand-in' ? 'typed' : all.bench,
        shrink: all.shrink === 'stand-in' ? 'none' : all.shrink,
        spindle: all.spindle === 'stand-in' ? 'none' : all.spindle,
        tag: all.tag === 'stand-in' ? 'none' : all.tag,
      }
}

/** The port at which label printers take what they are sent (common practice, no source). */
const RAW_PORT = 9100
const ADDRESS = /^([a-z0-9](?:[a-z0-9.-]{0,252}[a-z0-9])?)(?::(\d{1,5}))?$/i

/** @param usual the port where none is named; NaN: it must be. @returns null for what is no address */
export function readAddress(text: string, usual = RAW_PORT): { readonly host: string; readonly port: number } | null {
  const [, host, port] = ADDRESS.exec(text.trim()) ?? []
  const number = port === undefined ? usual : Number(port)
  return host && number >= 1 && number <= 65_535 ? { host, port: number } : null
}

/** Whether what is chosen can be reached at all: a printer in the network has an address, and that of a gauge names its port. */
export const addressesRead = ({ printer, printerAddress, benchAddress }: Devices): boolean =>
  (printer === 'folder' || (printerAddress !== null && readAddress(printerAddress) !== null)) &&
  (benchAddress === null || readAddress(benchAddress, NaN) !== null)
