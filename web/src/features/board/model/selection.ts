/// What is selected on the board: some things, or one cable.

export interface BoardSelection {
  readonly things: readonly string[];
  readonly cable: string | null;
}

export const NOTHING: BoardSelection = { things: [], cable: null };

export const onlyThing = (id: string): BoardSelection => ({ things: [id], cable: null });
export const onlyCable = (cable: string): BoardSelection => ({ things: [], cable });

/** One more, or one less. */
export const toggled = ({ things }: BoardSelection, id: string): BoardSelection => ({
  things: things.includes(id) ? things.filter((one) => one !== id) : [...things, id],
  cable: null,
});
