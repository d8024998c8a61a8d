import { fail, type Result, succeed } from '../../result';
import { parseCard } from '../parse-card';
import type { JobCard } from '../types';
import * as describeCommands from './describe';
import * as evidenceCommands from './evidence';
import * as footageCommands from './footage';
import * as loopCommands from './loop';
import * as machineCommands from './machine';
import * as programCommands from './programs';
import * as proxyCommands from './proxies';
import * as trialCommands from './trials';
import type { CommandFailure, CommandHandler } from './types';

/** Every command by its name; the name is what is logged. */
const handlers = {
  ...describeCommands,
  ...evidenceCommands,
  ...footageCommands,
  ...loopCommands,
  ...machineCommands,
  ...programCommands,
  ...proxyCommands,
  ...trialCommands,
};

export type CommandName = keyof typeof handlers;
type InputOf<Name extends CommandName> = Parameters<(typeof handlers)[Name]>[1];

/** A command as plain data. */
export type CardCommand = {
  [Name in CommandName]: { readonly type: Name; readonly input: InputOf<Name> };
}[CommandName];

/**
 * Carries out a command. The result is checked against the schema before it can be stored, so that no screen
 * and no import can write a card that could not be read back; a value out of range is the failure
 * `value-out-of-range`. A command that changes nothing gives back the very same card. O(card).
 */
export function applyCommand(card: JobCard, command: CardCommand, nowMs: number): Result<JobCard, CommandFailure> {
  const handler = handlers[command.type] as CommandHandler<unknown>;
  const changed = handler(card, command.input);
  if (!changed.ok || changed.value === card) return changed;
  const checked = parseCard({ ...changed.value, updatedAtMs: Math.max(nowMs, card.updatedAtMs) });
  if (checked.ok) return succeed(checked.value);
  const { failure } = checked;
  if (failure.code === 'card-field-invalid')
    return fail({ code: 'value-out-of-range', path: failure.path, received: failure.received });
  throw new Error(`applyCommand: ${command.type} made a card that is not one (${failure.code})`);
}
