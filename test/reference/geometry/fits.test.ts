/**
 * Circle and line fits against a separate library (ml-matrix: singular values, least squares) and against figures of
 * Monte-Carlo runs outside this project (theory: sd(R) = σ·√[(JᵀJ)⁻¹]₃₃).
 */
import { EVD, Matrix, SVD } from 'ml-matrix'
import { describe, expect, it } from 'vitest'
import { fitCircle, fitCircleTaubin, fitLine, intersect, type Point } from '@/core/geometry'
import { chance } from '../../support/render'

const NOISY: Point[] = [
  [40.06, 0.02],
  [38.59, 10.38],
  [34.66, 19.97],
  [28.25, 28.31],
  [20.03, 34.62],
  [10.32, 38.66],
  [-0.03, 39.95],
].map(([x, z]) => ({ x, z }))

describe('circles', () => {
  it('are exact on exact points', () => {
    const points = [0, 30, 60, 90].map((deg) => ({
      x: 100 + 40 * Math.cos((deg * Math.PI) / 180),
      z: 200 + 40 * Math.sin((deg * Math.PI) / 180),
    }))
    for (const fit of [fitCircleTaubin(points)!, fitCircle(points)!]) {
      expect(fit.centre.x).toBeCloseTo(100, 6)
      expect(fit.centre.z).toBeCloseTo(200, 6)
      expect(fit.radius).toBeCloseTo(40, 6)
    }
  })
  it('give the known answers for fixed noisy points', () => {
    const taubin = fitCircleTaubin(NOISY)!
    expect(taubin.centre.x).toBeCloseTo(0.002541, 5)
    expect(taubin.centre.z).toBeCloseTo(-0.043385, 5)
    expect(taubin.radius).toBeCloseTo(40.021913, 5)
    const geometric = fitCircle(NOISY)!
    expect(geometric.centre.x).toBeCloseTo(0.002623, 5)
    expect(geometric.centre.z).toBeCloseTo(-0.043268, 5)
    expect(geometric.radius).toBeCloseTo(40.021781, 5)
  })
  it('solve Taubin’s generalised eigenproblem as ml-matrix does', () => {
    const n = NOISY.length
    const rows = NOISY.map(({ x, z }) => [x * x + z * z, x, z, 1])
    const Z = new Matrix(rows)
    const M = Z.transpose().mmul(Z).div(n)
    const mean = (k: number) => rows.reduce((s, r) => s + r[k], 0) / n
    const [zz, x, z] = [mean(0), mean(1), mean(2)]
    const N = new Matrix([
      [4 * zz, 2 * x, 2 * z, 0],
      [2 * x, 1, 0, 0],
      [2 * z, 0, 1, 0],
      [0, 0, 0, 0],
    ])
    // M a = η N a: the smallest η; M is regular, so take the largest eigenvalue of M⁻¹N
    const evd = new EVD(new SVD(M).inverse().mmul(N))
    const best = evd.realEigenvalues.map((v, i) => ({ v, i })).sort((a, b) => b.v - a.v)[0].i
    const a = evd.eigenvectorMatrix.getColumn(best)
    const fit = fitCircleTaubin(NOISY)!
    expect(fit.centre.x).toBeCloseTo(-a[1] / (2 * a[0]), 5)
    expect(fit.centre.z).toBeCloseTo(-a[2] / (2 * a[0]), 5)
  })
  it('scatter as theory says: 90° arc, R 40, 63 points, noise 0.05', () => {
    const { normal } = chance(12345)
    const radii: number[] = []
    const claimed: number[] = []
    for (let trial = 0; trial < 4000; trial++) {
      const points = Array.from({ length: 63 }, (_, i) => {
        const a = (i / 62) * (Math.PI / 2)
        return { x: 40 * Math.cos(a) + 0.05 * normal(), z: 40 * Math.sin(a) + 0.05 * normal() }
      })
      const fit = fitCircle(points)!
      radii.push(fit.radius)
      claimed.push(Math.sqrt(fit.covariance[2][2]))
    }
    const mean = radii.reduce((a, b) => a + b, 0) / radii.length
    const sd = Math.sqrt(radii.reduce((a, b) => a + (b - mean) ** 2, 0) / radii.length)
    expect(sd).toBeGreaterThan(0.06)
    expect(sd).toBeLessThan(0.066)
    expect(Math.abs(mean - 40)).toBeLessThan(0.005)
    expect(claimed.reduce((a, b) => a + b, 0) / claimed.length).toBeCloseTo(sd, 2)
  })
  it('say when there is none', () => {
    expect(fitCircle([0, 1, 2, 3].map((x) => ({ x, z: 2 * x })))).toBeNull()
    expect(fitCircleTaubin([])).toBeNull()
  })
})

describe('lines', () => {
  const points = [
    [0, 1],
    [1, 2.9],
    [2, 5.1],
    [3, 7],
    [4, 9.1],
  ].map(([x, z]) => ({ x, z }))
  it('give the known answer, which ordinary least squares does not', () => {
    const fit = fitLine(points)!
    expect((fit.angleRad * 180) / Math.PI).toBeCloseTo(63.78307, 5)
    expect(Math.tan(fit.angleRad)).toBeCloseTo(2.030753, 6)
    expect(fit.centroid.z).toBeCloseTo(5.02, 12)
  })
  it('agree with the singular vectors of ml-matrix', () => {
    const { normal, between } = chance(4)
    for (let trial = 0; trial < 50; trial++) {
      const angle = between(0, Math.PI)
      const cloud = Array.from({ length: 30 }, (_, i) => ({
        x: i * Math.cos(angle) + 0.1 * normal(),
        z: i * Math.sin(angle) + 0.1 * normal(),
      }))
      const fit = fitLine(cloud)!
      const V = new SVD(
        new Matrix(cloud.map((p) => [p.x - fit.centroid.x, p.z - fit.centroid.z])),
      ).rightSingularVectors.getColumn(0)
      expect(Math.abs(V[0] * Math.cos(fit.angleRad) + V[1] * Math.sin(fit.angleRad))).toBeCloseTo(1, 9)
    }
  })
  it('scatter as s·√(12/(N(N²−1))) and s/√N', () => {
    const { normal } = chance(7)
    const angles: number[] = []
    for (let trial = 0; trial < 4000; trial++)
      angles.push(fitLine(Array.from({ length: 50 }, (_, i) => ({ x: i, z: 0.05 * normal() })))!.angleRad)
    const sd = Math.sqrt(angles.reduce((s, a) => s + a * a, 0) / angles.length)
    expect(sd * 1e6).toBeGreaterThan(489.996 * 0.95)
    expect(sd * 1e6).toBeLessThan(489.996 * 1.05)
  })
  it('cross where they should', () => {
    const a = fitLine([
      { x: 0, z: 0 },
      { x: 1, z: 1 },
    ])!.line
    const b = fitLine([
      { x: 0, z: 2 },
      { x: 2, z: 0 },
    ])!.line
    expect(intersect(a, b)!.x).toBeCloseTo(1, 12)
    expect(intersect(a, a)).toBeNull()
  })
})
