/** Kalibros from a terminal: the same core, worded in English. Exit 0 fine, 1 findings out of limits with --check, 2 bad input. */
import { Command, CommanderError } from 'commander'
import type { Refused } from '@/data/failure'
import { refusalWords } from '@/wording/refusals'
import { addBuildCommands } from './buildCommands'
import { addDatabaseCommands } from './databaseCommands'
import { addScheduleCommand } from './scheduleCommand'
import { addSumCommand } from './sumCommand'
import { addWalkCommands } from './walkCommands'
import { BAD_INPUT, BadInput, type Terminal } from './terminal'

/**
 * Runs one command.
 * @param args without the names of interpreter and program
 * @returns what the process is to exit with
 * @throws what is a fault of the program, and nobody's input
 */
export async function runCommand(args: readonly string[], terminal: Terminal): Promise<number> {
  const program = new Command('kalibros')
    .description('The bench book that does the sums, from a terminal.')
    .exitOverride()
    .configureOutput({ writeOut: terminal.out, writeErr: terminal.err })
  addBuildCommands(program, terminal)
  addWalkCommands(program, terminal)
  addScheduleCommand(program, terminal)
  addDatabaseCommands(program, terminal)
  addSumCommand(program, terminal)
  try {
    await program.parseAsync(args, { from: 'user' })
    return terminal.exitCode
  } catch (error) {
    if (error instanceof CommanderError) return error.exitCode === 0 ? 0 : BAD_INPUT
    const words = expectedWords(error)
    if (words === undefined) throw error
    terminal.err(words)
    return BAD_INPUT
  }
}

/** What went wrong in words, where it is no fault of the program: what was given, the database, or what it was asked to store. */
function expectedWords(error: unknown): string | undefined {
  if (error instanceof BadInput) return error.message
  if (!(error instanceof Error)) return undefined
  if (error.name === 'CannotOpen' || error.name === 'BackupRefused') return error.message
  if (error.name !== 'Refused') return undefined
  const { code, about } = error as Refused
  return refusalWords(code, about)
}
