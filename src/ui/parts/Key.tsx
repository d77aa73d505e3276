/** A key to press, shown beside what it does. */
export const Key = ({ k }: { k: string }) => <kbd className="key no-print">{k}</kbd>;
