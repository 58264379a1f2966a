import { useState, type ChangeEvent, type FocusEvent, type KeyboardEvent } from 'react';

/** A number without a unit, and between 0 and what it may be. */
export interface TypedNumber {
  readonly label: string;
  /** Null: none. */
  readonly value: number | null;
  readonly max: number;
  readonly isWhole?: boolean;
  readonly onChange: (value: number) => void;
  /** Where it is given, an empty field is none. */
  readonly onNone?: () => void;
}

const shownOf = (value: number | null): string => (value === null ? '' : String(value));

/** What is being typed, what is wrong with it, and what a field does with it: Enter and leaving take it, Escape does not. */
export function useTypedNumber({
  label,
  value,
  max,
  isWhole = false,
  onChange,
  onNone,
}: TypedNumber) {
  const [text, setText] = useState<string | null>(null);
  const [message, setMessage] = useState<string | null>(null);
  const leave = () => {
    setText(null);
    setMessage(null);
  };
  const commit = () => {
    if (text === null || text.trim() === shownOf(value)) return leave();
    if (text.trim() === '' && onNone) {
      leave();
      return onNone();
    }
    const number = Number(text.replace(',', '.'));
    const problem = problemWith(label, text, number, max, isWhole);
    if (problem) return setMessage(problem);
    leave();
    return onChange(number);
  };
  const type = (typed: string) => {
    setText(typed);
    setMessage(null);
  };
  const handlers = {
    onFocus: (event: FocusEvent<HTMLInputElement | HTMLTextAreaElement>) => event.target.select(),
    onChange: (event: ChangeEvent<HTMLInputElement | HTMLTextAreaElement>) =>
      type(event.target.value),
    onBlur: commit,
    onKeyDown: (event: KeyboardEvent) => {
      if (event.key === 'Enter') commit();
      if (event.key === 'Escape' && text !== null) {
        leave();
        event.stopPropagation();
      }
    },
  };
  return { shown: text ?? shownOf(value), message, handlers };
}

function problemWith(
  label: string,
  text: string,
  value: number,
  max: number,
  isWhole: boolean,
): string | null {
  if (text.trim() === '' || !Number.isFinite(value))
    return `${label}: “${text.trim()}” is not a number.`;
  if (isWhole && !Number.isInteger(value)) return `${label}: ${value} is not a whole number.`;
  if (value < 0) return `${label}: ${value}, at least 0.`;
  return value > max ? `${label}: ${value}, at most ${max}.` : null;
}
