import type { Case } from '../../api/types';

type Made = Case['changes'][number];
type Take = NonNullable<Case['take']>;

/** Changes that wait to be judged. */
export const standing = (changes: Made[]): Made[] => changes.filter((m) => m.worked === null);

export const lastJudged = (changes: Made[]): Made | null =>
    changes.filter((m) => m.worked !== null).at(-1) ?? null;

/** With as many digits as it needs, and no more than tell something. */
export const plain = (value: number, digits: number): string => String(Number(value.toFixed(digits)));

const VERBS: Record<string, string> = { raise: 'Raise', lower: 'Lower', set: 'Set' };

/** "Raise barrel soak: 12 to 15 min", or an act by its name. */
export function changeWords(of: {
    name: string;
    from: number | null;
    to: number | null;
    change?: string;
    unit?: string;
}): string {
    const unit = !of.unit || of.unit === '%' ? '' : ` ${of.unit}`;
    const verb = VERBS[of.change ?? ''];
    const name = verb ? `${verb} ${of.name.charAt(0).toLowerCase()}${of.name.slice(1)}` : of.name;
    if (of.to === null) return name;
    return of.from === null
        ? `${name}: to ${plain(of.to, 1)}${unit}`
        : `${name}: ${plain(of.from, 1)} to ${plain(of.to, 1)}${unit}`;
}

/** What the next set-up opens with. */
export function takeWords(take: Take): string {
    const name = take.setting.replaceAll('_', ' ');
    const was = take.was === null ? '' : ` instead of ${plain(take.was, 3)}`;
    return `The next set-up of anybody opens with ${name} ${plain(take.becomes, 3)}${was}, and says why.`;
}

/** What the pieces since the change say; what it means is for a person. */
export function outcomeWords(about: Pick<Case, 'since' | 'says_worked' | 'judged_by'>): string {
    if (about.says_worked === true)
        return `${about.judged_by} pieces since, all good: it looks as if it worked.`;
    if (about.says_worked === false) return 'A bad piece has come since: it looks as if it was not that.';
    return about.since === 0
        ? `The next ${about.judged_by} pieces judge it; none has been judged yet.`
        : `${about.since} good since: the next ${about.judged_by - about.since} judge it.`;
}

const LABELS: Record<string, string> = {
    yes: 'Yes',
    no: 'No',
    unknown: "Can't tell",
    true: 'Yes',
    false: 'No',
};
/** A choice as it stands on its button. */
export const label = (choice: string): string => LABELS[choice] ?? choice.replaceAll('_', ' ');
