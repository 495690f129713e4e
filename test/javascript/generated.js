// A small generator of numbers (mulberry32), so that a run can be repeated by its seed.
export function numbers(seed) {
  let state = seed >>> 0
  return (below) => {
    state = (state + 0x6d2b79f5) >>> 0
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state)
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed
    return ((mixed ^ (mixed >>> 14)) >>> 0) % below
  }
}

export const SEED = Number(process.env.SEED ?? (process.env.LONG ? Date.now() % 1_000_000_000 : 1125))
