import { derive, oneLine, svgOf, type Design } from '@ambrel/core'
import { said, type UnitSystem } from '@ambrel/core/units'

/** Every circuit of a design, with what is laid and what protects it, as plain JSON. */
export function wiring(design: Design) {
  const { system, circuits } = derive(design)
  return {
    circuits: circuits.map(
      ({ circuit, choice, unmeasured, conductor, device, groundSize, conduit, lossKWh, economy, faults }) => ({
        id: circuit.id,
        name: circuit.name,
        from: circuit.from,
        to: circuit.to,
        current: circuit.current,
        quantity: circuit.quantity,
        workingA: circuit.workingA,
        designA: circuit.designA,
        volts: circuit.volts,
        highestV: circuit.highestV,
        faultA: circuit.faultA,
        backA: circuit.backA,
        oneWayM: choice.oneWayM,
        measured: !unmeasured,
        size: conductor?.size ?? null,
        parallel: conductor?.parallel ?? null,
        ampacityA: conductor?.ampacityA ?? null,
        dropV: conductor?.dropV ?? null,
        dropPct: conductor?.dropPct ?? null,
        lossKWh,
        economicalSize: economy?.best.size ?? null,
        groundSize: groundSize || null,
        conduit: conduit?.name ?? null,
        device: device && {
          kind: device.kind,
          amps: device.amps,
          poles: device.poles,
          at: device.at,
          leastV: device.leastV,
          leastKA: device.leastKA,
          builtIn: device.builtIn,
        },
        inline: circuit.inline.map(({ id, kind, at }) => ({ id, kind, at })),
        faults,
        because: said(circuit.because),
      }),
    ),
    leads: system.leads.map(({ id, name, from, to, current, size }) => ({
      id,
      name,
      from,
      to,
      current,
      size: size || null,
    })),
    nodes: system.nodes.map(({ id, kind, name, rating, count }) => ({ id, kind, name, rating: said(rating), count })),
  }
}

/** The one-line drawing of a design as an SVG. */
export function drawing(design: Design, units: UnitSystem): string {
  const { system, circuits } = derive(design)
  const drawn = oneLine(system, circuits, (words) => said(words, units))
  return svgOf(drawn, `One-line drawing of ${design.name}, ${design.variant}`)
}
