import { BRIGHTNESS, type UnitSystem } from '@gullwind/core';
import { PICTURE_TYPES } from '@gullwind/contract';
import { Box, Button, Checkbox, FormControlLabel, Slider, Typography } from '@mui/material';
import { useRef, useState } from 'react';
import { PanelGroup } from '../../../ui/parts/PanelGroup';
import type { Asking } from '../asking/asking';
import type { Asked } from '../model/asked';
import type { PhotoNow } from './usePhoto';

interface Props {
  readonly photo: PhotoNow;
  readonly asking: Asking;
  readonly units: UnitSystem;
}

/** The photograph under the boards: chosen, scaled, straightened, brightened, traced. */
export function PhotoGroup({ photo: now, asking }: Props) {
  const { photo, isSending, remove } = now;
  return (
    <PanelGroup title="Photograph">
      {!photo && (
        <Typography variant="body2" sx={{ color: 'text.secondary' }}>
          Drop a photograph of the board onto the page: it lies under the drawing, and you trace it.
        </Typography>
      )}
      <Box sx={{ display: 'flex', gap: 0.5, flexWrap: 'wrap' }}>
        <ChoosePicture
          label={photo ? 'Another one' : 'Choose a picture'}
          isBusy={isSending}
          onFile={(file) => void now.send(file)}
        />
        {photo && <PhotoButtons asking={asking} onRemove={() => void remove()} />}
      </Box>
      {photo && (
        <>
          <Brightness key={photo.version} now={now} />
          <FormControlLabel
            control={
              <Checkbox
                size="small"
                checked={asking.isPhotoShown}
                onChange={(event) => asking.onPhotoShown(event.target.checked)}
              />
            }
            label="shown under the drawing"
            slotProps={{ typography: { variant: 'body2' } }}
          />
        </>
      )}
    </PanelGroup>
  );
}

const ASKS = [
  ['Straighten by four corners', { kind: 'mark', what: 'four' }],
  ['Scale by two points', { kind: 'mark', what: 'two' }],
  ['Trace it', { kind: 'trace' }],
] as const satisfies readonly (readonly [string, Asked])[];

function PhotoButtons({
  asking,
  onRemove,
}: Pick<Props, 'asking'> & { readonly onRemove: () => void }) {
  return (
    <>
      {ASKS.map(([words, asked]) => (
        <Button key={words} size="small" onClick={() => asking.onAsk(asked)}>
          {words}
        </Button>
      ))}
      <Button size="small" onClick={onRemove}>
        Without it
      </Button>
    </>
  );
}

/** A file of pictures, chosen by hand or by key. */
export function ChoosePicture({
  label,
  isBusy,
  onFile,
}: {
  readonly label: string;
  readonly isBusy: boolean;
  readonly onFile: (file: File) => void;
}) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <Button
        size="small"
        variant="outlined"
        disabled={isBusy}
        onClick={() => input.current?.click()}
      >
        {isBusy ? 'Sending …' : label}
      </Button>
      <input
        ref={input}
        type="file"
        aria-label={label}
        accept={PICTURE_TYPES.join(',')}
        hidden
        onChange={(event) => {
          const file = event.target.files?.[0];
          event.target.value = '';
          if (file) onFile(file);
        }}
      />
    </>
  );
}

function Brightness({ now: { photo, lay } }: { readonly now: PhotoNow }) {
  const { points, brightness } = photo!;
  const [shown, setShown] = useState(brightness);
  return (
    <Box sx={{ display: 'flex', alignItems: 'center', gap: 1.5, pr: 1 }}>
      <Typography variant="body2" sx={{ color: 'text.secondary' }}>
        Brightness
      </Typography>
      <Slider
        size="small"
        aria-label="Brightness of the photograph"
        min={BRIGHTNESS.min}
        max={BRIGHTNESS.max}
        step={0.05}
        value={shown}
        onChange={(_event, value) => setShown(value)}
        onChangeCommitted={(_event, value) => lay({ points, brightness: value })}
      />
    </Box>
  );
}
