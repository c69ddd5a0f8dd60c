import type { ExtractSchema } from 'hono/types'
import type { JSONParsed } from 'hono/utils/types'
import type { Answers } from '@tidy-reel/core/views/answers'
import type { Rooms } from '../app.ts'

type Served = ExtractSchema<Rooms>

type Lower<Method extends string> = `$${Lowercase<Method>}`

/** What a route's types say it answers; `never` where there is no such route. */
type Answered<Route> = Route extends `${infer Method} ${infer Path}`
  ? `/api${Path}` extends keyof Served
    ? Lower<Method> extends keyof Served[`/api${Path}`]
      ? Served[`/api${Path}`][Lower<Method>] extends { output: infer Output }
        ? Output
        : never
      : never
    : never
  : never

/** The routes whose answers are not what the client is told; `never` when all of them hold. */
type Broken = {
  [Route in keyof Answers]: [Answered<Route>] extends [never]
    ? Route
    : Answered<Route> extends JSONParsed<Answers[Route]>
      ? never
      : Route
}[keyof Answers]

type Holds<Wrong extends never> = Wrong

/** Does not compile while a route answers something else than `core/views/answers` tells. */
export type AnswersHold = Holds<Broken>
