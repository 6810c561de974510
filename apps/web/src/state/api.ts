/** Reading from the server. Writing goes through the outbox. */
import { createApi, fetchBaseQuery, type BaseQueryFn } from '@reduxjs/toolkit/query/react';
import type {
  CatalogueDocument,
  Department,
  DepartmentInput,
  HouseRules,
  Projection,
  Room,
  RoomChange,
} from '@taktik/core';
import type {
  ChangePlan,
  Competence,
  Exposure,
  ExposureDetail,
  NewPerson,
  TrailState,
  Order,
  OrderDetail,
  Person,
  Practised as PractisedAnswer,
  RoomTrend,
  SignedIn,
  SignIn,
  SignOff,
  Taken,
  Versions,
} from '@taktik/contracts';
import type { Practised } from '@taktik/core/exercise';
import { signedOut } from './who';

export const API_BASE = `${process.env.EXPO_PUBLIC_API ?? ''}/api`;

// What goes over the wire is typed once, where it is validated.
export type { Order, OrderDetail, Versions } from '@taktik/contracts';
export type ExposureRow = Exposure;
export type { ExposureDetail };
export type CompetenceRow = Competence;
/** The last try at an exercise; the memory is the scheduler's own. */
export type PractisedRow = Omit<PractisedAnswer, 'memory'> & Practised;

/** Rows of the record that are asked for at once. */
export const MOST_ROWS = 500;

export const SESSION_OVER = 'Your session has ended. Sign in to go on; nothing is lost.';

/** Versions of what is changed as a whole, as they came with it: a change says which one it was made from. */
const loaded: { rules?: string; department?: string; rooms: Record<string, number> } = { rooms: {} };
const headerOf = (meta: unknown, name: string): string | undefined =>
  (meta as { response?: Response } | undefined)?.response?.headers.get(name) ?? undefined;
const ifMatch = (version: string | undefined): { headers?: Record<string, string> } =>
  version === undefined ? {} : { headers: { 'if-match': version } };
const roomVersion = (id: string): string | undefined =>
  loaded.rooms[id] === undefined ? undefined : `"${loaded.rooms[id]}"`;

const plainQuery = fetchBaseQuery({ baseUrl: API_BASE });
/** A session that the server has ended is over here too, but a wrong PIN is only a wrong PIN. */
const baseQuery: typeof plainQuery = async (...query) => {
  const result = await (plainQuery as BaseQueryFn)(...query);
  const path = typeof query[0] === 'string' ? query[0] : query[0].url;
  if (
    (result.error as { status?: unknown } | undefined)?.status === 401 &&
    path !== 'sessions' &&
    !path.endsWith('/pin')
  )
    query[1].dispatch(signedOut(SESSION_OVER));
  return result as Awaited<ReturnType<typeof plainQuery>>;
};

export const api = createApi({
  reducerPath: 'api',
  baseQuery,
  tagTypes: ['Orders', 'Record', 'Rules', 'Own', 'People', 'Department', 'Rooms', 'Practice', 'Versions'],
  endpoints: (build) => ({
    people: build.query<Person[], void>({ query: () => 'people', providesTags: ['People'] }),
    signIn: build.mutation<SignedIn, SignIn>({
      query: (body) => ({ url: 'sessions', method: 'POST', body }),
      // What another person's session was refused is asked for anew.
      invalidatesTags: ['Orders', 'Record'],
    }),
    signOut: build.mutation<void, void>({ query: () => ({ url: 'sessions', method: 'DELETE' }) }),
    signOutEverywhere: build.mutation<void, void>({ query: () => ({ url: 'sessions/all', method: 'DELETE' }) }),
    changePin: build.mutation<void, { id: string; pin: string; old?: string }>({
      query: ({ id, ...body }) => ({ url: `people/${encodeURIComponent(id)}/pin`, method: 'POST', body }),
    }),
    changePerson: build.mutation<Person, { id: string; role?: Person['role']; ended?: true }>({
      query: ({ id, ...body }) => ({ url: `people/${encodeURIComponent(id)}`, method: 'PATCH', body }),
      invalidatesTags: ['People'],
    }),
    trail: build.query<TrailState, void>({ query: () => 'audit/state', keepUnusedDataFor: 0 }),
    addPerson: build.mutation<Person, NewPerson>({
      query: (body) => ({ url: 'people', method: 'POST', body }),
      invalidatesTags: ['People'],
    }),
    versions: build.query<Versions, void>({ query: () => 'versions', providesTags: ['Versions'] }),
    department: build.query<Department, void>({
      query: () => 'department',
      transformResponse: (answer: Department, meta) => {
        loaded.department = headerOf(meta, 'etag');
        return answer;
      },
      providesTags: ['Department'],
    }),
    putDepartment: build.mutation<Department, DepartmentInput>({
      query: (body) => ({ url: 'department', method: 'PUT', body, ...ifMatch(loaded.department) }),
      invalidatesTags: ['Department', 'Versions'],
    }),
    orders: build.query<Order[], void>({ query: () => 'orders', providesTags: ['Orders'] }),
    orderDetail: build.query<OrderDetail, string>({
      query: (id) => `orders/${encodeURIComponent(id)}/exam`,
      providesTags: ['Orders', 'Record'],
    }),
    changePlan: build.mutation<Order, ChangePlan & { id: string }>({
      query: ({ id, ...body }) => ({ url: `orders/${encodeURIComponent(id)}/plan`, method: 'POST', body }),
      invalidatesTags: ['Orders'],
    }),
    importTable: build.mutation<Taken, string>({
      query: (body) => ({ url: 'orders/import', method: 'POST', body, headers: { 'content-type': 'text/csv' } }),
      invalidatesTags: ['Orders'],
    }),
    worklist: build.query<{ name: string | null }, void>({ query: () => 'orders/worklist' }),
    askWorklist: build.mutation<Taken, void>({
      query: () => ({ url: 'orders/worklist', method: 'POST', body: {} }),
      invalidatesTags: ['Orders'],
    }),
    importFhir: build.mutation<Taken, string>({
      query: (body) => ({ url: 'fhir', method: 'POST', body, headers: { 'content-type': 'application/fhir+json' } }),
      invalidatesTags: ['Orders'],
    }),
    rooms: build.query<Room[], void>({
      query: () => 'rooms',
      transformResponse: (answer: Room[], meta) => {
        loaded.rooms = JSON.parse(headerOf(meta, 'x-versions') ?? '{}') as Record<string, number>;
        return answer;
      },
      providesTags: ['Rooms'],
    }),
    changeRoom: build.mutation<Room, { id: string; change: RoomChange }>({
      query: ({ id, change }) => ({
        url: `rooms/${encodeURIComponent(id)}`,
        method: 'PATCH',
        body: change,
        ...ifMatch(roomVersion(id)),
      }),
      invalidatesTags: ['Rooms', 'Versions'],
    }),
    importRoom: build.mutation<Room, unknown>({
      query: (body) => ({ url: 'rooms/import', method: 'POST', body: body as object }),
      invalidatesTags: ['Rooms', 'Versions'],
    }),
    importChart: build.mutation<Room, { id: string; table: string }>({
      query: ({ id, table }) => ({
        url: `rooms/${encodeURIComponent(id)}/chart`,
        method: 'POST',
        body: table,
        headers: { 'content-type': 'text/csv' },
      }),
      invalidatesTags: ['Rooms', 'Versions'],
    }),
    rules: build.query<HouseRules, void>({
      query: () => 'rules',
      transformResponse: (answer: HouseRules, meta) => {
        loaded.rules = headerOf(meta, 'etag');
        return answer;
      },
      providesTags: ['Rules'],
    }),
    putRules: build.mutation<HouseRules, HouseRules>({
      query: (rules) => ({ url: 'rules', method: 'PUT', body: rules, ...ifMatch(loaded.rules) }),
      invalidatesTags: ['Rules', 'Versions'],
    }),
    own: build.query<Projection[], void>({ query: () => 'catalogue/own', providesTags: ['Own'] }),
    putOwn: build.mutation<Projection, Projection>({
      query: (entry) => ({ url: `catalogue/own/${entry.id}`, method: 'PUT', body: entry }),
      invalidatesTags: ['Own', 'Versions'],
    }),
    deleteOwn: build.mutation<void, string>({
      query: (id) => ({ url: `catalogue/own/${id}`, method: 'DELETE' }),
      invalidatesTags: ['Own', 'Versions'],
    }),
    importOwn: build.mutation<{ entries: number; rules: boolean }, unknown>({
      query: (document) => ({ url: 'catalogue/import', method: 'POST', body: document as CatalogueDocument }),
      invalidatesTags: ['Own', 'Rules', 'Versions'],
    }),
    trends: build.query<RoomTrend[], { from: number }>({
      query: ({ from }) => `trends?from=${from}`,
      providesTags: ['Record'],
    }),
    record: build.query<ExposureRow[], { from: number }>({
      query: ({ from }) => `exposures?from=${from}&limit=${MOST_ROWS}`,
      providesTags: ['Record'],
    }),
    practised: build.query<PractisedRow[], void>({ query: () => 'practice', providesTags: ['Practice'] }),
    competence: build.query<CompetenceRow[], string>({
      query: (id) => `people/${encodeURIComponent(id)}/competence`,
      providesTags: ['Practice'],
    }),
    signOff: build.mutation<CompetenceRow[], SignOff & { id: string }>({
      query: ({ id, ...body }) => ({ url: `people/${encodeURIComponent(id)}/competence`, method: 'POST', body }),
      invalidatesTags: ['Practice'],
    }),
    exposure: build.query<ExposureDetail, string>({
      query: (id) => `exposures/${encodeURIComponent(id)}`,
      providesTags: ['Record'],
    }),
  }),
});

export const {
  usePeopleQuery,
  useSignInMutation,
  useSignOutMutation,
  useSignOutEverywhereMutation,
  useChangePinMutation,
  useChangePersonMutation,
  useTrailQuery,
  useAddPersonMutation,
  useDepartmentQuery,
  usePutDepartmentMutation,
  useOrderDetailQuery,
  useChangePlanMutation,
  useImportTableMutation,
  useImportFhirMutation,
  useWorklistQuery,
  useAskWorklistMutation,
  useOrdersQuery,
  useRoomsQuery,
  useChangeRoomMutation,
  useImportRoomMutation,
  useImportChartMutation,
  useRulesQuery,
  usePutRulesMutation,
  useOwnQuery,
  usePutOwnMutation,
  useDeleteOwnMutation,
  useImportOwnMutation,
  useVersionsQuery,
  useTrendsQuery,
  useRecordQuery,
  useExposureQuery,
  usePractisedQuery,
  useCompetenceQuery,
  useSignOffMutation,
} = api;

/** What the server says is wrong (RFC 9457), in words for a person. */
export function reasonsOf(error: unknown): string[] {
  const data = (error as { data?: { detail?: string; fields?: { field: string; message: string }[] } } | undefined)
    ?.data;
  if (data?.fields && data.fields.length > 0) return data.fields.map(({ field, message }) => `${field}: ${message}`);
  return [data?.detail ?? 'The server does not answer; nothing was stored.'];
}
