/** Which of the entry's positions this patient can take in this room, and in which holder. */
import type { PositionWay, Projection } from '../projections/schema';
import { positionName } from '../room/position';
import { holderOf, type Holder, type Room } from '../room/room';
import { listWords } from '../quantity/text';
import type { Overrides, Situation } from './request';
import type { Problem, Side } from './setup';

/** Why the patient cannot take the position, or null. */
export function barred(way: PositionWay, situation: Situation, nearSide: Side | null): string | null {
  switch (way.body) {
    case 'upright':
      if (situation.spineNotCleared) return 'the spine is not cleared';
      if (situation.canStand || (way.seatable && situation.canSit)) return null;
      return way.seatable ? 'the patient can neither stand nor sit' : 'the patient cannot stand';
    case 'seated':
      if (situation.spineNotCleared) return 'the spine is not cleared';
      return situation.canSit || situation.canStand ? null : 'the patient cannot sit';
    case 'lateral-recumbent':
      if (situation.spineNotCleared) return 'the spine is not cleared';
      if (situation.canTurn === 'both' || situation.canTurn === nearSide) return null;
      return situation.canTurn === 'none'
        ? 'the patient cannot turn'
        : `the patient turns only to the ${situation.canTurn} side`;
    case 'prone':
    case 'sims':
      if (situation.spineNotCleared) return 'the spine is not cleared';
      return situation.canTurn === 'none' ? 'the patient cannot turn' : null;
    case 'kneeling':
      if (situation.spineNotCleared) return 'the spine is not cleared';
      return situation.canStand ? null : 'the patient cannot kneel';
    case 'semi-erect':
    case 'head-down':
      return situation.spineNotCleared ? 'the spine is not cleared' : null;
    case 'supine':
      return null;
  }
}

/** Nothing is moved for the picture that could be broken. */
export const isInjured = (situation: Situation): boolean => situation.spineNotCleared || situation.fractureSuspected;

/** The way as it is done for this patient: hurt ones stay as they lie. */
export const sparing = (way: PositionWay, situation: Situation): TakenWay =>
  isInjured(situation) && way.ifInjured ? { ...way, ...way.ifInjured, poseAlone: true } : { ...way, poseAlone: false };

/** `poseAlone`: nothing is bent or turned for the picture, so the entry's own pose is left out. */
export type TakenWay = PositionWay & { poseAlone: boolean };

export type ChosenWay = { way: TakenWay; holders: Holder[]; problems: Problem[] };

/**
 * The first position that patient and room allow. When none is, the usual one is still computed, so that it can be
 * looked at, and the problems say why it must not be done.
 */
export function chooseWay(
  entry: Projection,
  situation: Situation,
  room: Room,
  nearSide: Side | null,
  overrides: Overrides,
): ChosenWay {
  const projection = { ...entry, positions: entry.positions.map((way) => sparing(way, situation)) };
  const held = (way: TakenWay) =>
    way.holders
      .filter((kind) => !overrides.holder || overrides.holder === kind)
      .flatMap((kind) => holderOf(room, kind) ?? []);
  const candidates = projection.positions.filter((way) => !overrides.position || way.body === overrides.position);
  if (candidates.length === 0) {
    const known = listWords(projection.positions.map((way) => positionName(way.body)));
    return {
      way: projection.positions[0],
      holders: held(projection.positions[0]),
      problems: [
        {
          code: 'position-unknown',
          text: `${projection.name} is not done ${positionName(overrides.position!)}; it is done ${known}.`,
        },
      ],
    };
  }
  const reasons: Problem[] = [];
  for (const way of candidates) {
    const why = barred(way, situation, nearSide);
    const holders = held(way);
    if (why === null && holders.length > 0) return { way, holders, problems: [] };
    reasons.push(
      why === null
        ? {
            code: 'no-holder',
            text: `${room.name} has no ${listWords(way.holders.map((kind) => HOLDER_WORDS[kind]))} for ${projection.name} ${positionName(way.body)}.`,
          }
        : { code: 'position-barred', text: `${projection.name} ${positionName(way.body)} is barred: ${why}.` },
    );
  }
  const usable = candidates.find((way) => held(way).length > 0) ?? candidates[0];
  return { way: usable, holders: held(usable), problems: reasons };
}

export const HOLDER_WORDS = {
  'table-tray': 'table tray',
  'table-top': 'table top',
  wall: 'wall stand',
  bed: 'bed',
  stand: 'loose holder',
  floor: 'floor plate',
} as const;
