/** With a capital to begin with. */
export const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

/** How many came of it: "3 good, 1 not"; nothing before there are any. */
export const countText = ({ good, bad }: { good: number; bad: number }) =>
    good + bad === 0 ? '' : `${good} good${bad ? `, ${bad} not` : ''}`;
