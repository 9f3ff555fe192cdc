// The figures that hang together: those of one sowing, or of one wish.
import type { Plan } from './api'
import { fullDay } from './words'

export interface Chain {
  title: string
  figures: { figure: string; label: string; value: number; unit: string }[]
}

/** The figures of the wish or sowing that a figure belongs to; nothing for one of the household. */
export function chainOf(figure: string, plan: Plan): Chain | undefined {
  const [kind, id = ''] = figure.split('/')
  if (kind === 'sowing') return ofSowing(id, plan)
  if (kind === 'wish') return ofWish(id, plan)
  return undefined
}

function ofSowing(id: string, plan: Plan): Chain | undefined {
  const s = plan.sowings.find((x) => x.id === id)
  if (!s) return undefined
  const f = (name: string, label: string, value: number, unit: string) => ({
    figure: `sowing/${id}/${name}`,
    label,
    value,
    unit,
  })
  const tray = s.method === 'tray'
  return {
    title: `${s.crop_name}, ${fullDay(s.date)}`,
    figures: [
      ...(s.form ? [f('need', 'harvest needed', s.need, s.unit)] : []),
      ...(tray ? [] : [f('plants', 'plants', s.plants, '')]),
      ...(s.set_out ? [f('set_out', s.stock_unit || 'planted out', s.set_out, '')] : []),
      ...(s.cells ? [f('cells', 'cells', s.cells, '')] : []),
      ...(s.stations ? [f('stations', 'stations', s.stations, '')] : []),
      ...(s.seeds ? [f('seeds', 'seeds', s.seeds, '')] : s.seed_gram ? [f('seeds', 'seed', s.seed_gram, 'g')] : []),
      ...(s.stock_kg ? [f('stock', 'stock', s.stock_kg, 'kg')] : []),
      f('area', tray ? 'tray' : 'bed', s.area, 'm²'),
      ...(s.form ? [f('likely', 'gives', s.likely, s.unit)] : []),
    ],
  }
}

function ofWish(id: string, plan: Plan): Chain | undefined {
  const w = plan.wishes.find((x) => x.id === id)
  if (!w) return undefined
  const f = (name: string, label: string, value: number, unit: string) => ({
    figure: `wish/${id}/${name}`,
    label,
    value,
    unit,
  })
  const brought = w.uses.filter((u) => u.form && u.harvested > 0)
  return {
    title: w.title,
    figures: [
      ...(w.weeks_wanted ? [f('fed', 'weeks fed', w.weeks_fed, '')] : []),
      ...brought.map((u) => ({
        figure: `${u.figure}/harvested`,
        label: u.part ? u.crop_name : u.form,
        value: u.harvested,
        unit: u.unit,
      })),
      f('plants', 'plants', w.plants, ''),
      f('area', 'bed', w.area, 'm²'),
      ...(w.harvested ? [f('left_over', 'left over', w.left_over, w.harvest_unit)] : []),
    ],
  }
}
