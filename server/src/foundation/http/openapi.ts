import { z } from 'zod'
import type { Route } from './route.ts'

type Json = Record<string, unknown>

/** Describes the routes as OpenAPI 3.1, from the same schemas that check the requests. */
export function describeApi(routes: readonly Route[]): Json {
  const paths: Record<string, Json> = {}
  for (const route of routes) {
    const path = `/api${route.path.replace(/:(\w+)/g, '{$1}')}`
    paths[path] = { ...paths[path], [route.method]: describeRoute(route) }
  }
  return {
    openapi: '3.1.0',
    info: {
      title: 'Exemplar',
      version: '1',
      description: 'Kit, setups, diary, bench and ledger of a small video studio.',
    },
    paths,
    components: {
      schemas: { Problem: PROBLEM },
      responses: {
        Problem: {
          description: 'A problem (RFC 9457)',
          content: { 'application/problem+json': { schema: { $ref: '#/components/schemas/Problem' } } },
        },
      },
    },
  }
}

const PROBLEM: Json = {
  type: 'object',
  required: ['title', 'status', 'detail'],
  properties: {
    type: { type: 'string' },
    title: { type: 'string' },
    status: { type: 'integer' },
    detail: { type: 'string' },
    errors: {
      type: 'array',
      items: { type: 'object', properties: { pointer: { type: 'string' }, message: { type: 'string' } } },
    },
    current: { description: 'With 409: the version that stands.' },
    yours: { description: 'With 409: what was sent.' },
    report: { description: 'With a refused import: its report, line by line.' },
  },
}

function describeRoute(route: Route): Json {
  return {
    tags: [route.room],
    summary: route.summary,
    operationId: `${route.method}${route.path.replace(/[^a-zA-Z]+(\w)?/g, (_, letter: string | undefined) => (letter ?? '').toUpperCase())}`,
    parameters: [
      ...[...route.path.matchAll(/:(\w+)/g)].map((match) => ({
        name: match[1],
        in: 'path',
        required: true,
        schema: { type: 'string' },
      })),
      ...describeQuery(route.query),
      ...(route.isChange
        ? [
            {
              name: 'If-Match',
              in: 'header',
              required: true,
              schema: { type: 'string' },
              description: 'The version as last seen, in quotation marks.',
            },
          ]
        : []),
    ],
    ...(route.body
      ? { requestBody: { required: true, content: { 'application/json': { schema: toSchema(route.body, 'input') } } } }
      : {}),
    responses: {
      ...describeReply(route),
      default: { $ref: '#/components/responses/Problem' },
    },
  }
}

function describeReply({ reply, status = 200 }: Route): Json {
  if (reply === 'nothing') return { 204: { description: 'Done' } }
  if (reply === 'file') return { [status]: { description: 'A file or a stream', content: { '*/*': {} } } }
  return { [status]: { description: 'Done', content: { 'application/json': { schema: toSchema(reply, 'output') } } } }
}

function describeQuery(query: z.ZodType | undefined): Json[] {
  if (!query) return []
  const schema = toSchema(query, 'input') as { properties?: Json; required?: string[] }
  return Object.entries(schema.properties ?? {}).map(([name, it]) => ({
    name,
    in: 'query',
    required: schema.required?.includes(name) ?? false,
    schema: it,
  }))
}

function toSchema(schema: z.ZodType, io: 'input' | 'output'): Json {
  const { $schema: _, ...rest } = z.toJSONSchema(schema, { io, unrepresentable: 'any' }) as Json
  return rest
}
