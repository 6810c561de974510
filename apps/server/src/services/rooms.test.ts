/** Rooms: who may change them, what stays when something is wrong, and both open formats there and back. */
import { ROOM_ONE } from '@taktik/core';
import { exposures } from '../db/schema';
import { seedHistory } from '../seed/seedHistory';
import { CLOCK, discard, startTestServer, type TestServer } from '../testing/testServer';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
});
afterAll(async () => {
  await server.stop();
  discard(server.folder);
});
const room = async (id = 'room-1') => (await server.call('GET', `/api/rooms/${id}`)).body;

describe('changing a room', () => {
  it('is a lead’s, changes what is named only, and leaves a line in the trail', async () => {
    const change = { generator: { outputUGyPerMas: 77, points: null } };
    expect((await server.call('PATCH', '/api/rooms/room-1', change, 'demo-tomas')).status).toBe(403);
    const answer = await server.call('PATCH', '/api/rooms/room-1', change);
    expect(answer.status).toBe(200);
    const { points: _, ...generator } = ROOM_ONE.generator;
    expect(answer.body).toEqual({ ...ROOM_ONE, generator: { ...generator, outputUGyPerMas: 77 } });
    const trail = await server.call('GET', '/api/audit?subject=room:room-1');
    expect(trail.body[0]).toMatchObject({ action: 'room changed', person: 'Priya Windlow', detail: change });
  });
  it.each([
    [{ generator: { outputUGyPerMas: 4 } }, /Output at 1 m and 80 kVp must be 5 to 500 µGy per mAs/],
    [{ generator: { timeStationsMs: [10, 5] } }, /Time stations must rise/],
    [{ generator: { targetIndex: null } }, /targetIndex/],
    [{ generator: { chart: [{ projectionId: 'none' }] } }, /There is no projection ..none/],
    [
      { receptors: [{ id: 'a', name: 'a', widthMm: 100, heightMm: 100, fixed: false }] },
      /which the room does not have/,
    ],
    [{ colour: 'red' }, /colour/],
  ])('refuses %j and says the range', async (change, says) => {
    const before = await room();
    const answer = await server.call('PATCH', '/api/rooms/room-1', change);
    expect(answer.status).toBe(422);
    expect(JSON.stringify(answer.body)).toMatch(says);
    expect(await room()).toEqual(before);
  });
  it('knows no other room', async () =>
    expect((await server.call('PATCH', '/api/rooms/none', { name: 'x' })).status).toBe(404));
});

describe('a room as a document', () => {
  it('comes back as it went', async () => {
    const document = (await server.call('GET', '/api/rooms/room-2/export')).body;
    expect(document).toMatchObject({ format: 'taktik-room', version: 1 });
    const other = { ...document, room: { ...document.room, id: 'room-9', name: 'Room 9' } };
    expect((await server.call('POST', '/api/rooms/import', other, 'demo-ines')).status).toBe(403);
    expect((await server.call('POST', '/api/rooms/import', other)).status).toBe(200);
    expect(await room('room-9')).toEqual(other.room);
    expect((await server.call('GET', '/api/rooms')).body.at(-1).id).toBe('room-9');
  });
  it('is taken whole or not at all', async () => {
    const document = (await server.call('GET', '/api/rooms/room-2/export')).body;
    document.room.generator.maxKvp = 400;
    document.room.name = '';
    const answer = await server.call('POST', '/api/rooms/import', document);
    expect(answer.status).toBe(422);
    expect(answer.body.fields.map(({ field }: { field: string }) => field).sort()).toEqual([
      'room.generator.maxKvp',
      'room.name',
    ]);
    expect((await server.call('POST', '/api/rooms/import', { format: 'other' })).body.detail).toMatch(/Not a room/);
  });
});

describe('a technique chart as a table', () => {
  const table = 'projection,name,kvp,mas,sid_cm,thickness_cm,grid_ratio\npelvis-ap,any,78,25,110,20.5,10\n';
  it('comes back as it went, and the set-up starts from it', async () => {
    const taken = await server.call('POST', '/api/rooms/room-1/chart', table, 'demo-priya', 'text/csv');
    expect(taken.status).toBe(200);
    const back = await server.call('GET', '/api/rooms/room-1/chart');
    expect(back.type).toMatch(/text\/csv/);
    expect(back.body.trim().split(/\r?\n/)[1]).toBe('pelvis-ap,"Pelvis, AP",78,25,110,20.5,10');
    const setup = await server.call('POST', '/api/setups', { projectionId: 'pelvis-ap', room: taken.body });
    expect(setup.body.exposure).toMatchObject({ kVp: 78, start: { basis: 'room chart', mAs: 25 } });
  });
  it.each([
    ['projection,kvp\nhand-pa,50', /column mas is missing/],
    [`${table}hand-pa,,200,2,100,3,0`, /line 3, kvp.*45 to 140/],
    [`${table}hand-pa,,55,two,100,3,0`, /line 3, mas/],
    [`${table}nothing,,55,2,100,3,2`, /There is no projection/],
    ['projection,kvp,mas,sid_cm,thickness_cm,grid_ratio,colour\n', /no column “colour”/],
  ])('refuses %j with its line', async (text, says) => {
    const before = await room();
    const answer = await server.call('POST', '/api/rooms/room-1/chart', text, 'demo-priya', 'text/csv');
    expect(answer.status).toBe(422);
    expect(JSON.stringify(answer.body)).toMatch(says);
    expect(await room()).toEqual(before);
  });
});

describe('what was exposed', () => {
  it('has a past in the demo, filled once, with a dose that may be flagged and a reading that may be typed', async () => {
    await seedHistory(server.store, CLOCK);
    await seedHistory(server.store, CLOCK);
    const rows = (await server.call('GET', '/api/exposures')).body;
    expect(rows.length).toBeGreaterThan(50);
    expect(await server.store.db.$count(exposures)).toBe(rows.length);
    expect(new Set(rows.map(({ verdict }: { verdict: string }) => verdict))).toEqual(new Set(['accepted', 'repeat']));
    const chest = rows.find(({ projectionId }: { projectionId: string }) => projectionId === 'chest-pa');
    expect(chest).toMatchObject({ doseLevelGyCm2: null, readBy: null, roomId: 'room-1' });
    const levels = [
      { projectionId: 'chest-pa', fromYears: 0, kapGyCm2: 0.05 },
      { projectionId: 'chest-pa', fromYears: 16, kapGyCm2: 0.1 },
    ];
    expect((await server.call('PUT', '/api/department', { doseLevels: levels })).status).toBe(200);
    const typed = await server.call('POST', `/api/exposures/${chest.id}/reading`, { exposureIndex: 600 }, 'demo-ines');
    expect(typed.body).toMatchObject({
      exposureIndex: 600,
      deviationIndex: 3,
      readBy: 'Ines Oakfield',
      doseLevelGyCm2: 0.1,
    });
    const refused = await server.call('POST', `/api/exposures/${chest.id}/reading`, { exposureIndex: 0 });
    expect(refused).toMatchObject({ status: 422 });
    expect(refused.body.detail).toMatch(/1 to 100000/);
    expect((await server.call('POST', '/api/exposures/none/reading', { exposureIndex: 5 })).status).toBe(404);
  });
  it('bands and levels of the department are refused with their range', async () => {
    const put = async (change: object) => JSON.stringify((await server.call('PUT', '/api/department', change)).body);
    expect(await put({ bands: { target: 2, acceptable: 1, far: 3 } })).toMatch(/must rise/);
    expect(await put({ bands: { target: 0, acceptable: 1, far: 3 } })).toMatch(/0.1 to 10/);
    const level = { projectionId: 'hand-pa', fromYears: 0, kapGyCm2: 0.01 };
    expect(await put({ doseLevels: [level, level] })).toMatch(/One dose level/);
    expect(await put({ doseLevels: [{ ...level, kapGyCm2: 900 }] })).toMatch(/0.0001 to 200/);
  });
});
