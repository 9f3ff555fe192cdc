// The contract with the binary, typed from api/openapi.yaml.
import createClient from 'openapi-fetch'
import type { components, paths } from './schema.gen'

type Schemas = components['schemas']
export type State = Schemas['State']
export type StatePart = Schemas['StatePart']
export type Household = Schemas['Household']
export type Settings = Schemas['Settings']
export type Place = Schemas['Place']
export type Member = Schemas['Member']
export type Guest = Schemas['Guest']
export type Store = Schemas['Store']
export type Wish = Schemas['Wish']
export type Form = Schemas['Form']
export type Overrule = Schemas['Overrule']
export type Plan = Schemas['Plan']
export type PlanWish = Schemas['PlanWish']
export type Tally = Schemas['Tally']
export type Sowing = Schemas['Sowing']
export type Working = Schemas['Working']
export type WorkingLine = Schemas['WorkingLine']
export type Reading = Schemas['Reading']
export type LineChoice = Schemas['LineChoice']
export type Reference = Schemas['Reference']
export type Problem = Schemas['Problem']
export type Edit = Schemas['Edit']
export type Remedy = Schemas['Remedy']
export type Week = Schemas['Week']
export type Eaten = Schemas['Eaten']
export type Lot = Schemas['Lot']
export type Patch = Schemas['Patch']
export type Measure = Schemas['Measure']
export type CareStep = Schemas['CareStep']
export type Chore = Schemas['Chore']
export type Learned = Schemas['Learned']
export type LearnedEffect = Schemas['LearnedEffect']
export type Learning = Schemas['Learning']
export type MovedCrop = Schemas['MovedCrop']
export type YearEndRow = Schemas['YearEndRow']
export type Site = Schemas['Site']
export type Sighting = Schemas['Sighting']
export type ChoreDue = Schemas['ChoreDue']
export type BedTurn = Schemas['BedTurn']
export type BedWater = Schemas['BedWater']
export type OwnCrop = Schemas['OwnCrop']
export type OwnPreparation = Schemas['OwnPreparation']
export type Standing = Schemas['Standing']
export type CropBook = Schemas['CropBook']
export type BookCrop = Schemas['BookCrop']
export type BookPreparation = Schemas['BookPreparation']
export type BookFigure = Schemas['BookFigure']
export type Change = Schemas['Change']
export type GreenGoes = Schemas['GreenGoes']
export type GreenWork = Schemas['GreenWork']
export type Foresight = Schemas['Foresight']
export type Goal = Schemas['Goal']
export type Task = Schemas['Task']
export type Bed = Schemas['Bed']
export type Plot = Schemas['Plot']
export type Share = Schemas['Share']
export type Starter = Schemas['Starter']
export type Question = Schemas['Question']
export type Piece = Schemas['Piece']
export type Layout = Schemas['Layout']
export type YearTurnAsked = Schemas['YearTurnAsked']
export type Growing = Schemas['Growing']
export type GrowingAll = Schemas['GrowingAll']
export type Freed = Schemas['Freed']
export type HoldAsked = Schemas['HoldAsked']
export type OtherYear = Schemas['OtherYear']
export type Have = Schemas['Have']
export type Gives = Schemas['Gives']
export type FitLine = Schemas['FitLine']
export type FedWish = Schemas['WishFedByGround']
export type LeftOut = Schemas['LeftOut']
export type Obstacle = Schemas['Obstacle']
export type StandingCrop = Schemas['StandingCrop']
export type Customs = Schemas['Customs']
export type Material = Schemas['Material']
export type Amendment = Schemas['Amendment']
export type Look = Schemas['Look']
export type Choice = Schemas['Choice']
export type FreePatch = Schemas['FreePatch']
export type Needs = Schemas['Needs']
export type Move = Schemas['Move']
export type Habit = Schemas['Habit']
export type Planting = Schemas['Planting']
export type SowingEvent = Schemas['SowingEvent']
export type DaybookLine = Schemas['DaybookLine']
export type EntriesAsked = Schemas['EntriesAsked']
export type Happened = Schemas['Entry']
export type Waits = Schemas['Waits']
export type FoodBalance = Schemas['FoodBalance']
export type FoodSeason = Schemas['FoodSeason']
export type Outlook = Schemas['Outlook']
export type Picking = Schemas['Picking']
export type ScaleReading = Schemas['ScaleReading']
export type ToldEntry = Schemas['ToldEntry']
export type LogAll = Schemas['LogAll']
export type Missed = Schemas['Missed']
export type Log = Schemas['Log']
export type PlaceAsk = Schemas['PlaceAsk']
export type WeatherRecord = Schemas['WeatherRecord']
export type Unknown = Schemas['Unknown']
export type DemoHousehold = Schemas['DemoHousehold']
export type HouseholdRead = Schemas['HouseholdRead']
export type PlaceChart = Schemas['PlaceChart']

export const api = createClient<paths>({ baseUrl: '/api' })

/** A problem that came back from the binary, or the lack of any answer. */
export class Refused extends Error {
  readonly problem: Problem
  constructor(problem: Problem) {
    super(problem.detail)
    this.problem = problem
  }
}

/** Says that no answer came: the binary has stopped or the network is away. */
const unreachable: Problem = {
  type: 'about:blank',
  title: 'Inventory is not running',
  status: 0,
  detail: 'Your last change is not saved yet. Start Inventory, then press Try again.',
}

/** Returns what a call answered, or throws what it refused. */
export async function answer<T>(call: () => Promise<{ data?: T; error?: unknown }>): Promise<T> {
  let result
  try {
    result = await call()
  } catch {
    throw new Refused(unreachable)
  }
  if (result.data !== undefined) return result.data
  const p = result.error as Problem | undefined
  throw new Refused(p && typeof p === 'object' && 'detail' in p ? p : unreachable)
}
