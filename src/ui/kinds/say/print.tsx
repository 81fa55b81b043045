/** On paper nothing is heard. */
export function Print() {
  return <span className="soft">Spoken, not written: whoever is in the room listens.</span>;
}
