/** Reading from the server. Writing goes through the outbox. */
import { createApi, fetchBaseQuery } from '@reduxjs/toolkit/query/react';
import type { CatalogueDocument, HouseRules, PatientInput, Projection, Room, Setup, Situation } from '@taktik/core';
import type { Planned } from '../places/setup/session';

export const API_BASE = `${process.env.EXPO_PUBLIC_API ?? ''}/api`;

export type Order = {
  id: string;
  exam: string;
  side: 'left' | 'right' | null;
  reason: string;
  urgency: 'now' | 'today' | 'routine';
  ward: string;
  roomId: string;
  orderedAt: number;
  state: 'waiting' | 'started' | 'finished';
  patient: { id: string; initials: string; body: PatientInput };
  situation: Partial<Situation>;
  unusual: string[];
  projections: Planned[];
};

export type ExposureRow = {
  id: string;
  examId: string;
  orderId: string;
  exam: string;
  initials: string;
  projectionId: string;
  name: string;
  side: 'left' | 'right' | null;
  room: string;
  performedBy: string;
  exposedAt: number;
  kVp: number;
  mAs: number;
  exposureIndex: number;
  deviationIndex: number;
  kapGyCm2: number;
};

export const api = createApi({
  reducerPath: 'api',
  baseQuery: fetchBaseQuery({ baseUrl: API_BASE }),
  tagTypes: ['Orders', 'Record', 'Rules', 'Own'],
  endpoints: (build) => ({
    orders: build.query<Order[], void>({ query: () => 'orders', providesTags: ['Orders'] }),
    rooms: build.query<Room[], void>({ query: () => 'rooms' }),
    rules: build.query<HouseRules, void>({ query: () => 'rules', providesTags: ['Rules'] }),
    putRules: build.mutation<HouseRules, HouseRules>({
      query: (rules) => ({ url: 'rules', method: 'PUT', body: rules }),
      invalidatesTags: ['Rules'],
    }),
    own: build.query<Projection[], void>({ query: () => 'catalogue/own', providesTags: ['Own'] }),
    putOwn: build.mutation<Projection, { entry: Projection; by: string }>({
      query: ({ entry, by }) => ({
        url: `catalogue/own/${entry.id}?by=${encodeURIComponent(by)}`,
        method: 'PUT',
        body: entry,
      }),
      invalidatesTags: ['Own'],
    }),
    deleteOwn: build.mutation<void, string>({
      query: (id) => ({ url: `catalogue/own/${id}`, method: 'DELETE' }),
      invalidatesTags: ['Own'],
    }),
    importOwn: build.mutation<{ entries: number; rules: boolean }, { document: unknown; by: string }>({
      query: ({ document, by }) => ({
        url: `catalogue/import?by=${encodeURIComponent(by)}`,
        method: 'POST',
        body: document as CatalogueDocument,
      }),
      invalidatesTags: ['Own', 'Rules'],
    }),
    record: build.query<ExposureRow[], { from: number }>({
      query: ({ from }) => `exposures?from=${from}`,
      providesTags: ['Record'],
    }),
    exposure: build.query<ExposureRow & { setup: Setup }, string>({
      query: (id) => `exposures/${encodeURIComponent(id)}`,
    }),
  }),
});

export const {
  useOrdersQuery,
  useRoomsQuery,
  useRulesQuery,
  usePutRulesMutation,
  useOwnQuery,
  usePutOwnMutation,
  useDeleteOwnMutation,
  useImportOwnMutation,
  useRecordQuery,
  useExposureQuery,
} = api;

/** What the server says is wrong (RFC 9457), in words for a person. */
export function reasonsOf(error: unknown): string[] {
  const data = (error as { data?: { detail?: string; fields?: { field: string; message: string }[] } })?.data;
  if (data?.fields && data.fields.length > 0) return data.fields.map(({ field, message }) => `${field}: ${message}`);
  return [data?.detail ?? 'The server does not answer; nothing was stored.'];
}
