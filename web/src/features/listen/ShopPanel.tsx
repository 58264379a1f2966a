import {
  AS_IT_IS,
  FIELD_RULES,
  formatSignedDb,
  type RigVoice,
  type ShopCable,
  type UnitSystem,
} from '@gullwind/core';
import { Button, Typography } from '@mui/material';
import { PanelGroup } from '../../ui/parts/PanelGroup';
import { PlainQuantityField } from '../../ui/PlainQuantityField';

interface Props {
  readonly voices: readonly RigVoice[];
  readonly units: UnitSystem;
  readonly shop: ShopCable | null;
  readonly onChange: (shop: ShopCable | null) => void;
}

/** As they lie about in shops: short, and of any kind. */
const USUAL: ShopCable = { lengthM: 3, cPerMF: 160e-12 };

/** A pedal tried at the shop sounded as the shop’s cable let it: how much of the difference is that cable. */
export function ShopPanel({ voices, units, shop, onChange }: Props) {
  if (!shop)
    return (
      <PanelGroup title="Tried at the shop?">
        <Button size="small" onClick={() => onChange(USUAL)}>
          Hear it by the shop’s cable
        </Button>
      </PanelGroup>
    );
  return (
    <PanelGroup title="Tried at the shop?">
      {(['lengthM', 'cPerMF'] as const).map((field) => (
        <PlainQuantityField
          key={field}
          rule={FIELD_RULES.cable[field]}
          value={shop[field]}
          units={units}
          onChange={(value) => onChange({ ...shop, [field]: value })}
        />
      ))}
      <Typography role="status" variant="body2">
        {sayShop(voices)}
      </Typography>
      <Button size="small" onClick={() => onChange(null)}>
        Without it
      </Button>
    </PanelGroup>
  );
}

function sayShop(voices: readonly RigVoice[]): string {
  const trebleOf = (id: string) => voices.find((voice) => voice.id === id)?.figures?.trebleDb;
  const [here, there] = [trebleOf(AS_IT_IS), trebleOf('shop')];
  if (here === undefined || there === undefined) return 'Nothing can be held against it now.';
  return `There ${formatSignedDb(there)} dB of treble, here ${formatSignedDb(here)} dB: ${formatSignedDb(there - here)} dB between them is that cable alone, whatever pedal was tried.`;
}
