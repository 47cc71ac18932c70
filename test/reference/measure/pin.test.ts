/** The scale of a camera from a pin, drawn by the separate renderer (test/support/render.ts); the truth is the scale it is drawn with. */
import { describe, expect, it } from 'vitest'
import { calibrateOnPin } from '@/core/outline'
import { chance, render } from '../../support/render'
import { pinErrorText } from '@/words/pictures'

const PIN = { diameterMm: 4, lengthMm: 60 }

function drawn(change: { scale?: number; x?: number; lean?: number; noise?: number; radius?: number } = {}, seed = 1) {
  const { scale = 0.012, x = 0.2, lean = 0, noise = 3, radius = PIN.diameterMm / 2 } = change
  const tan = Math.tan((lean * Math.PI) / 180)
  const scene = {
    width: 640,
    height: 480,
    mmPerPixel: { x: scale, z: scale },
    centreX: x,
    centreZ: PIN.lengthMm - 1.3,
    inside: (px: number, pz: number) => pz < PIN.lengthMm && Math.abs(px - (pz - PIN.lengthMm) * tan) < radius,
    blurPx: 1.4,
    noise,
    dark: 25,
    contrast: 170,
    fallOff: 0.15,
    seed,
  }
  return { width: 640, height: 480, data: render(scene) }
}

describe('calibrating on a pin', () => {
  it('finds scale and place to a twentieth of a pixel', () => {
    for (let i = 1; i <= 8; i++) {
      const c = chance(500 + i)
      const scale = c.between(0.009, 0.02)
      const x = c.between(-0.4, 0.4)
      const found = calibrateOnPin(drawn({ scale, x }, i), PIN)
      if (!found.ok) throw new Error(pinErrorText(found.error))
      const widthPx = PIN.diameterMm / scale
      expect(Math.abs(found.value.mmPerPixel.x / scale - 1) * widthPx).toBeLessThan(0.1)
      expect(Math.abs(found.value.centreX - x) / scale).toBeLessThan(0.05)
      expect(Math.abs(found.value.centreZ - (PIN.lengthMm - 1.3)) / scale).toBeLessThan(0.1)
      expect(found.value.scaleSigma).toBeLessThan(1e-3)
    }
  })
  it('refuses a pin that leans, one that is cut, and no pin', () => {
    const code = (frame: ReturnType<typeof drawn>) => {
      const found = calibrateOnPin(frame, PIN)
      return found.ok ? 'ok' : found.error.code
    }
    expect(code(drawn({ lean: 1.5 }))).toBe('LEANS')
    expect(code(drawn({ radius: 6 }))).toBe('NOT_A_PIN')
    expect(code(drawn({ radius: 0 }))).toBe('NO_EDGE')
  })
})
