import { changeFeed, groupIndexOf, hang, outletState, placesOf } from '@gullwind/core';
import { Typography } from '@mui/material';
import { ChooseThenAdd } from '../../../ui/ChooseThenAdd';
import { percent, sayLoad } from '../model/sayPower';
import { OutletSetting } from './OutletSetting';
import { OwnFaults } from './OwnFaults';
import type { PowerPanelProps } from './FeedPanel';

interface Props extends PowerPanelProps {
  readonly supply: string;
  readonly outlet: number;
}

/** One outlet: how full it is, what hangs on it, and what could. */
export function OutletPanel({ rig, feedings, faults, onEdit, supply, outlet }: Props) {
  const state = outletState(feedings, supply, outlet);
  if (!state) return null;
  const group = state.supply.groups[groupIndexOf(state.supply, outlet)]!;
  const own = faults.filter((fault) => {
    const at = placesOf(fault).outlet;
    return at?.[0] === supply && at[1] === outlet;
  });
  const loose = feedings.consumers.filter(
    ({ id }) => !state.hung.some((one) => one.consumer.id === id),
  );
  const head = state.hung[0];
  const add = (id: string) => {
    const after = head ? { after: state.hung.at(-1)!.consumer.id, volts: head.feed.volts } : {};
    const edit = hang(rig, id, { supply, outlet, ...after });
    if (edit) onEdit(edit);
  };
  return (
    <>
      <Typography component="h2" sx={{ fontSize: 19, fontWeight: 600, lineHeight: 1.2 }}>
        {`${state.supply.name}, outlet ${outlet + 1}`}
      </Typography>
      <Typography variant="body2" sx={{ color: 'text.secondary' }}>
        {`${sayLoad(state)} (${percent(state.share)}), ${group.ground === 'isolated' ? 'by itself' : 'on the shared ground'}`}
      </Typography>
      <OwnFaults rig={rig} faults={own} />
      {head && (
        <OutletSetting
          state={state}
          onSet={(set) => {
            const edit = changeFeed(rig, head.consumer.id, { volts: set });
            if (edit) onEdit(edit);
          }}
        />
      )}
      <ChooseThenAdd
        label={head ? 'Hang behind' : 'Hang on it'}
        placeholder={head ? 'hang behind …' : 'hang on it …'}
        options={loose.map(({ id, name }) => [id, name] as const)}
        action="Hang"
        onAdd={add}
      />
    </>
  );
}
