import { SOURCE_WORDS, SOURCES, type SourceKind } from '@gullwind/core';
import { Box, Button, Checkbox, FormControlLabel, Typography } from '@mui/material';
import { useRef, useState } from 'react';
import { newId } from '../../app/newId';
import { FieldMessage } from '../../ui/FieldMessage';
import { ChoiceField } from '../../ui/parts/ChoiceField';
import { PanelGroup } from '../../ui/parts/PanelGroup';
import { questionsWorker } from '../../workers/workers';
import type { ListenProps } from './listenProps';
import type { Setting } from './model/setting';

/** What is played, and through what beside the rig. */
export function SourcePanel({ listening, voices }: ListenProps) {
  const { setting, change } = listening;
  const { own } = setting;
  return (
    <>
      <PanelGroup title="What is played">
        <ChoiceField
          label={own ? 'instead' : 'a simulated guitar'}
          value={own ? 'own' : setting.play}
          options={[
            ...(own ? [['own', own.name] as const] : []),
            ...SOURCES.map((kind) => [kind, SOURCE_WORDS[kind]] as const),
          ]}
          onChange={(to) => to !== 'own' && change({ play: to as SourceKind, own: null })}
        />
        <OwnSoundField setting={setting} change={change} />
        {own && (
          <ChoiceField
            label="It already went through"
            value={own.through ?? ''}
            options={[
              ['', 'nothing: straight from the coil'],
              ...voices.map(({ id, name }) => [id, name] as const),
            ]}
            onChange={(to) => change({ own: { ...own, through: to === '' ? null : to } })}
          />
        )}
      </PanelGroup>
      <SameForAll setting={setting} change={change} />
    </>
  );
}

const OPTIONS = [
  ['isMatched', 'As loud as straight in'],
  ['speaker', 'Through a plain loudspeaker-like filter'],
  ['clipper', 'Into a soft clipper'],
] as const;

const SameForAll = ({ setting, change }: OwnProps) => (
  <PanelGroup title="The same for all">
    {OPTIONS.map(([key, label]) => (
      <Option
        key={key}
        label={label}
        value={setting[key]}
        onChange={(to) => change({ [key]: to })}
      />
    ))}
    <Typography variant="caption" sx={{ color: 'text.secondary', display: 'block' }}>
      It starts quietly, comes up within a second, and never goes beyond half of full scale: ears do
      not grow again. Turn the volume down before the first note.
    </Typography>
  </PanelGroup>
);

interface OptionProps {
  readonly label: string;
  readonly value: boolean;
  readonly onChange: (to: boolean) => void;
}

const Option = ({ label, value, onChange }: OptionProps) => (
  <FormControlLabel
    sx={{ display: 'flex', mr: 0 }}
    control={
      <Checkbox size="small" checked={value} onChange={(_, to) => onChange(to)} sx={{ py: 0.25 }} />
    }
    label={<Typography variant="body2">{label}</Typography>}
  />
);

interface OwnProps {
  readonly setting: Setting;
  readonly change: (to: Partial<Setting>) => void;
}

/** A WAV of one’s own, dropped or opened; it stays in this browser. */
function OwnSoundField({ setting, change }: OwnProps) {
  const input = useRef<HTMLInputElement>(null);
  const [message, setMessage] = useState<string | null>(null);
  const [note, setNote] = useState('');
  const open = async (file: File) => {
    const read = await questionsWorker().soundIn(new Uint8Array(await file.arrayBuffer()));
    setMessage(read.kind === 'refused' ? `${file.name}: ${read.message}` : null);
    if (read.kind === 'refused') return;
    const cut = read.isCut ? ' Only its first minute is used.' : '';
    setNote(`${read.wasStereo ? 'Both channels in one.' : ''}${cut}`.trim());
    change({ own: { ...read.sound, name: file.name, id: newId(), through: null } });
  };
  return (
    <Box
      onDragOver={(event) => event.preventDefault()}
      onDrop={(event) => {
        event.preventDefault();
        event.stopPropagation();
        const [file] = event.dataTransfer.files;
        if (file) void open(file);
      }}
      sx={{ mt: 0.5 }}
    >
      <Button size="small" variant="outlined" onClick={() => input.current?.click()}>
        {setting.own ? 'Another sound of your own' : 'A sound of your own (WAV)'}
      </Button>
      <input
        ref={input}
        type="file"
        hidden
        aria-label="A sound of your own (WAV)"
        accept=".wav,audio/wav"
        onChange={(event) => {
          const [file] = event.target.files ?? [];
          event.target.value = '';
          if (file) void open(file);
        }}
      />
      <FieldMessage message={message} />
      {setting.own && note !== '' && <Typography variant="caption">{note}</Typography>}
    </Box>
  );
}
