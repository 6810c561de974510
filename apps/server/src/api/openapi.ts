/** The OpenAPI document, made from the table of routes and the schemas that validate. */
import { z } from 'zod';
import { createDocument, type ZodOpenApiOperationObject } from 'zod-openapi';
import { problemSchema } from '@taktik/contracts';
import { COOKIE } from './signedIn';
import { idParams, type Question, type Route } from './route';
import { questions, routes } from './routes';

const problem = {
  description: 'What was wrong (RFC 9457)',
  content: { 'application/problem+json': { schema: problemSchema } },
};

type Described = Omit<Route, 'handle' | 'readsItself'>;

/** "get orders of id": the method and the words of the path. */
const operationIdOf = ({ method, path }: Described): string =>
  [method, ...path.split('/')]
    .map((part) => part.replace(/^:(\w+)$/, 'by-$1').replace(/\W+/g, '-'))
    .filter((part) => part !== '')
    .join('-')
    .replace(/-(\w)/g, (_, letter: string) => letter.toUpperCase());

/** By a cookie of this site, or a token. */
const SIGNED_IN: Record<string, string[]>[] = [{ session: [] }, { token: [] }];

const asRoute = ({ path, summary, body, answer, says }: Question): Described => ({
  method: 'post',
  path,
  summary,
  query: null,
  body,
  bodyType: 'application/json',
  answer,
  answerType: 'application/json',
  says,
  status: '200',
  who: 'anyone',
});

const operation = (route: Described): ZodOpenApiOperationObject => ({
  operationId: operationIdOf(route),
  summary: Array.isArray(route.who) ? `${route.summary} (${route.who.join(', ')})` : route.summary,
  security: route.who === 'anyone' ? [] : SIGNED_IN,
  requestParams: {
    ...(route.path.includes(':id') && { path: idParams }),
    ...(route.query && { query: route.query as z.ZodObject }),
  },
  ...(route.body && {
    requestBody: { content: { [route.bodyType]: { schema: route.body } }, required: true },
  }),
  responses: {
    [route.status]: {
      description: route.says,
      ...(route.answer && { content: { [route.answerType]: { schema: route.answer } } }),
    },
    '4XX': problem,
  },
});

/** Several methods of one path stand together. */
function pathsOf(described: readonly Described[]): Record<string, Record<string, ZodOpenApiOperationObject>> {
  const paths: Record<string, Record<string, ZodOpenApiOperationObject>> = {};
  for (const route of described) {
    const path = `/api${route.path.replaceAll(':id', '{id}')}`;
    paths[path] = { ...paths[path], [route.method]: operation(route) };
  }
  return paths;
}

export const openApiDocument = createDocument({
  openapi: '3.1.0',
  info: {
    title: 'Taktik',
    version: '0.1.0',
    description:
      'A planning and teaching aid for trained, licensed staff. Local codes, the department’s protocols and the physicist’s technique chart come first. Lengths in mm, angles in degrees.',
  },
  components: {
    securitySchemes: {
      session: { type: 'apiKey', in: 'cookie', name: COOKIE },
      token: { type: 'http', scheme: 'bearer' },
    },
  },
  paths: pathsOf([...questions.map(asRoute), ...routes]),
});
