/** From where on something counts when an outline is recognised. Each was set on pictures drawn by the test renderer. */

/** Least height of a bump or depth of a notch that is told, px: grain alone reaches a third of a pixel. */
export const LEAST_BUMP_PX = 0.45
/** The same in standard deviations of an outline's points: one in 10⁹ of clean ones lies farther off. */
export const LEAST_BUMP_SIGMAS = 6
/** A misfit below this leaves nothing over but chips. */
export const WELL_FITTED = 0.05
/** One above this explains too little of an outline … */
export const MOST_MISFIT = 0.5
/** … and with a part of it out of sight it must explain more: half an arc follows almost anything. */
export const MOST_CUT_MISFIT = 0.2
/** A later shape must leave this share of what an earlier one left: what explains as much is the simpler one, that comes first. */
export const LEAST_GAIN = 0.8
