import type { BodyOf, NewIncident, ReplyOf } from '@exemplar/core'
import { api, type Versioned } from '../foundation/api/api.ts'
import { readsOf } from '../foundation/api/reads.ts'
import { request } from '../foundation/api/request.ts'

const incidentApi = api.injectEndpoints({
  endpoints: (build) => ({
    incidents: build.query<ReplyOf<'get /incidents'>, void>({
      query: () => request('get /incidents'),
      providesTags: readsOf('incidents'),
    }),
    reportIncident: build.mutation<ReplyOf<'post /incidents'>, NewIncident>({
      query: (body) => request('post /incidents', { body }),
    }),
    changeIncident: build.mutation<ReplyOf<'put /incidents/:id'>, Versioned<BodyOf<'put /incidents/:id'>>>({
      query: ({ id, version, body }) => request('put /incidents/:id', { id, version, body }),
    }),
  }),
})

export const { useIncidentsQuery, useReportIncidentMutation, useChangeIncidentMutation } = incidentApi
