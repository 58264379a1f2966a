import type { FieldRule, Provenance, Sourced, UnitSystem } from '@gullwind/core';
import { formatForEditing, formatQuantity, readField } from '@gullwind/core';
import { Box, InputBase, Typography } from '@mui/material';
import { useId, useRef, useState } from 'react';
import { flushSync } from 'react-dom';
import { ProvenanceMenu } from './ProvenanceMenu';
import { FieldMessage } from './FieldMessage';

export interface QuantityFieldProps {
  readonly rule: FieldRule;
  /** Shown instead of the rule's own label where the place already says part of it. */
  readonly label?: string;
  readonly value: Sourced;
  readonly units: UnitSystem;
  /** Where an assumed value comes from: "bright single coil". */
  readonly assumedFrom: string;
  readonly onChange: (value: Sourced) => void;
  /** In a table, where row and column say what it is: neither label nor origin are seen. */
  readonly isBare?: boolean;
  /** Of where something stands nobody asks where it is from. */
  readonly hasOrigin?: boolean;
}

/**
 * A number edited where it is seen. Takes what people type ("18 ft", "470k"), says what is wrong with
 * the rest in place, and gives up the edit on Escape.
 */
export function QuantityField(props: QuantityFieldProps) {
  const { rule, label = rule.label, value, units, isBare = false, hasOrigin = true } = props;
  const id = useId();
  const { text, message, begin, type, commit, giveUp } = useTyped(props);
  return (
    <Box data-quantity="" sx={{ minWidth: 0 }}>
      <Box sx={isBare ? BARE_ROW : hasOrigin ? ROW : PLAIN_ROW}>
        {!isBare && <FieldLabel id={id} label={label} />}
        <InputBase
          id={id}
          value={text ?? formatQuantity(value.value, rule.quantity, units)}
          onFocus={(event) => {
            // At once: what is typed next replaces the number.
            flushSync(begin);
            selectAll(event.target as HTMLInputElement);
          }}
          onChange={(event) => type(event.target.value)}
          onBlur={() => commit()}
          onKeyDown={(event) => {
            if (event.key === 'Enter' && flushSync(commit))
              selectAll(event.target as HTMLInputElement);
            if (event.key === 'Escape' && giveUp()) event.stopPropagation();
          }}
          error={message !== null}
          inputProps={{
            'aria-label': isBare ? label : undefined,
            'aria-invalid': message !== null,
            'aria-describedby': message ? `${id}-message` : undefined,
            spellCheck: false,
            autoComplete: 'off',
          }}
          sx={valueStyle(value.from, message !== null)}
        />
        {!isBare && hasOrigin && <ProvenanceMenu {...props} label={label} />}
      </Box>
      <FieldMessage id={`${id}-message`} message={message} />
    </Box>
  );
}

const BARE_ROW = {
  display: 'grid',
  gridTemplateColumns: '1fr',
  alignItems: 'center',
  minHeight: 26,
} as const;
const ROW = { ...BARE_ROW, gridTemplateColumns: '1fr 92px 24px' } as const;
const PLAIN_ROW = { ...BARE_ROW, gridTemplateColumns: '1fr 92px' } as const;

function FieldLabel({ id, label }: { readonly id: string; readonly label: string }) {
  return (
    <Typography
      component="label"
      htmlFor={id}
      variant="body2"
      noWrap
      title={label}
      sx={{ color: 'text.secondary' }}
    >
      {label}
    </Typography>
  );
}

/** What is being typed, and what is wrong with it. */
function useTyped({ rule, value, units, onChange }: QuantityFieldProps) {
  const [text, setText] = useState<string | null>(null);
  const [message, setMessage] = useState<string | null>(null);
  const given = useRef('');
  const type = (typed: string) => {
    setText(typed);
    setMessage(null);
  };
  const begin = () => {
    given.current = formatForEditing(value.value, rule.quantity, units);
    setText(given.current);
  };
  const leave = () => {
    given.current = '';
    setText(null);
    setMessage(null);
  };
  /** False where it cannot be kept. */
  const commit = (): boolean => {
    if (text === null || text === given.current) {
      leave();
      return true;
    }
    const read = readField(rule, text, units);
    if (read.kind === 'refused') {
      setMessage(read.message);
      return false;
    }
    leave();
    onChange({ value: read.si, from: 'entered' });
    return true;
  };
  /** Back to what was there; false where nothing was typed. */
  const giveUp = (): boolean => {
    if (text === null || text === given.current) return false;
    type(given.current);
    return true;
  };
  return { text, message, begin, type, commit, giveUp };
}

/**
 * At once, and again when a click that gave the focus has set its caret; unless something was typed or
 * the focus has gone elsewhere by then.
 */
function selectAll(input: HTMLInputElement): void {
  input.select();
  const text = input.value;
  requestAnimationFrame(() => {
    if (document.activeElement === input && input.value === text) input.select();
  });
}

/** Assumed values look assumed: slanted, over a dotted line. */
const valueStyle = (from: Provenance, wrong: boolean) => ({
  fontSize: 14,
  fontWeight: from === 'assumed' ? 400 : 600,
  fontStyle: from === 'assumed' ? 'italic' : 'normal',
  borderBottom: '1px',
  borderBottomStyle: from === 'assumed' ? 'dotted' : 'solid',
  borderColor: wrong ? 'error.main' : 'text.secondary',
  '& input': { p: 0, py: '2px', textAlign: 'right' },
  '&.Mui-focused': { outline: 2, outlineColor: 'primary.main', outlineOffset: 1 },
});
