import { devicesHere, type Devices, type OwnDevices } from '@/core/set-up'
import { prepare, type Db, type Tx } from '../connection'

/** @param own of the terminal. @returns version 0 where nothing was chosen yet */
export function readDevices(db: Db, standIns: boolean, own?: OwnDevices): Devices & { readonly version: number } {
  const row = prepare(db, "SELECT body, version FROM shop_setting WHERE name = 'devices'").get() as
    { body: string; version: number } | undefined
  return { ...devicesHere(row ? (JSON.parse(row.body) as Partial<Devices>) : null, standIns, own), version: row?.version ?? 0 }
}

/** @param version as it was read. @returns false when somebody else was first */
export function putDevices(tx: Tx, devices: Devices, version: number): boolean {
  const done = prepare(
    tx,
    `INSERT INTO shop_setting (name, body) VALUES ('devices', :body)
     ON CONFLICT (name) DO UPDATE SET body = excluded.body, version = version + 1 WHERE version = :version`,
  ).run({ body: JSON.stringify(devices), version })
  return done.changes === 1
}
