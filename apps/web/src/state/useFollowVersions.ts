/** Asks now and then which versions are in force, and reads anew what has changed: an open device is never older than that. */
import { useEffect } from 'react';
import { api, useVersionsQuery } from './api';
import { useAppDispatch, useAppSelector } from './hooks';
import { versionsSeen } from './news';
import type { AppDispatch } from './store';

/** A change reaches every open device within a minute. */
const FOLLOW_MS = 20_000;

export function useFollowVersions(): void {
  const dispatch = useAppDispatch() as AppDispatch;
  const seen = useAppSelector((state) => state.news.seen);
  const { data } = useVersionsQuery(undefined, { pollingInterval: FOLLOW_MS });
  useEffect(() => {
    if (!data || JSON.stringify(data) === JSON.stringify(seen)) return;
    if (seen) {
      const rooms = JSON.stringify(data.rooms) !== JSON.stringify(seen.rooms);
      dispatch(
        api.util.invalidateTags([
          ...(data.rules !== seen.rules ? (['Rules'] as const) : []),
          ...(data.department !== seen.department ? (['Department'] as const) : []),
          ...(rooms ? (['Rooms'] as const) : []),
          ...(data.own !== seen.own ? (['Own'] as const) : []),
        ]),
      );
    }
    dispatch(versionsSeen(data));
  }, [data, seen, dispatch]);
}
