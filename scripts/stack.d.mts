import type { Stack } from '../e2e/stack.ts'

export function startStack(options: { data: string; first: number; demo: boolean }): Promise<Stack>
