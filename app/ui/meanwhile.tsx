// What a form was drawn from goes with it, so that saving can tell what somebody else has changed meanwhile.

/** The name of the hidden field. */
export const SEEN = "seen";

/** The values that the form was drawn from, as JSON; of a form that was refused, what came back with it. */
export const Seen = ({ drawn }: { readonly drawn: string }) => (
  <input type="hidden" name={SEEN} value={drawn} />
);

/** For forms of plain values: what came back, or what it is drawn from. */
export const seenOf = (sent: Readonly<Record<string, string>> | undefined, drawn: object): string =>
  sent?.[SEEN] ?? JSON.stringify(drawn);
