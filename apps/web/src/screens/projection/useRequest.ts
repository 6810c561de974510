/** The request that an address asks for, with room, rules and an own entry where it names one. */
import { plannedEntry, roomForProjection, type Projection, type SetupRequest } from '@taktik/core';
import { useMemo } from 'react';
import { useRoom } from '../room/useRoom';
import { askedOf, fromAddress, type Asked, type Params } from '../setup/address';
import { isOwn, useOwnEntries } from './useOwnEntries';

export type Requested = {
  asked: Asked;
  projection: Projection | null;
  request: SetupRequest | null;
  key: string;
  /** Own entries are still on their way. */
  loading: boolean;
};

export function useRequest(params: Params): Requested {
  const paramsKey = JSON.stringify(params);
  const asked = useMemo(() => fromAddress(JSON.parse(paramsKey) as Params), [paramsKey]);
  const { room, rules } = useRoom(asked.roomId, asked.rules);
  const { own, loading } = useOwnEntries();
  const { projectionId } = asked;
  const mine = own.find(({ id }) => id === projectionId);
  const projection = plannedEntry(asked, own);
  const request: SetupRequest | null = projection && {
    projectionId,
    own: mine,
    side: projection.sided === 'each' ? (asked.side ?? 'right') : asked.side,
    patient: asked.patient,
    situation: asked.situation,
    room: room && roomForProjection(room, asked.projectionId),
    rules,
    ...askedOf({ way: asked.way, overrides: undefined }),
  };
  return {
    asked,
    projection,
    request,
    key: JSON.stringify([request && { ...request, own: mine?.id }, mine]),
    loading: loading && isOwn(projectionId),
  };
}
