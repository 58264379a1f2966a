import { settingsOf, type OutletState } from '@gullwind/core';
import { ChoiceField } from '../../../ui/parts/ChoiceField';
import { volts } from '../model/sayPower';

interface Props {
  readonly state: OutletState;
  /** Null is its usual voltage. */
  readonly onSet: (volts: number | null) => void;
}

/** The voltage of an outlet that can be set. */
export function OutletSetting({ state, onSet }: Props) {
  const settings = settingsOf(state.supply.groups[state.group]!);
  if (settings.length < 2) return null;
  return (
    <ChoiceField
      label="Outlet set to"
      value={String(state.setting.volts)}
      options={settings.map((one) => [String(one.volts), volts(one.volts)] as const)}
      onChange={(to) => onSet(Number(to) === settings[0]!.volts ? null : Number(to))}
    />
  );
}
