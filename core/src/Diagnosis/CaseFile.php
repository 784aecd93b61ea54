<?php

declare(strict_types=1);

namespace Dithermic\Core\Diagnosis;

use Dithermic\Core\Calculator\InputError;

/**
 * A bad piece whose cause is looked for: what is wrong with it, what people answered, what was changed for which cause,
 * and whether that was it. What its entries add up to. One change is judged at a time; a second one before the first is
 * judged is let in, and then neither tells which it was.
 */
final class CaseFile
{
    /** pieces after a change that judge it */
    public const JUDGED_BY = 3;

    public const MOST_DEFECTS = 5;

    /** @var array<string, SeenDefect> by id */
    public array $defects = [];

    /** @var array<string, string> yes, no or unknown, by question */
    public array $answers = [];

    /** @var array<string, mixed> by signal, as a person read them */
    public array $signals = [];

    /** @var list<Made> in order */
    public array $changes = [];

    /** @var list<list<Made>> changes that were judged together, in order */
    private array $judged = [];

    public bool $closed = false;

    /** @param  array<array-key, mixed>  $said  of an entry that was let in before */
    public function add(CaseEntry $kind, array $said, float $at): void
    {
        match ($kind) {
            CaseEntry::Seen => $this->see($said),
            CaseEntry::Answered => $this->answers[self::text($said, 'question')] = self::text($said, 'answer'),
            CaseEntry::Read => $this->signals[self::text($said, 'signal')] = $said['value'] ?? null,
            CaseEntry::Changed => $this->change($said, $at),
            CaseEntry::Judged => $this->judge(($said['worked'] ?? false) === true),
            CaseEntry::Withdrawn => $this->withdraw(),
            CaseEntry::Closed => $this->closed = true,
        };
    }

    /**
     * @param  array<array-key, mixed>  $said
     *
     * @throws InputError when it has no place here now
     */
    public function mustTake(CaseEntry $kind, array $said): void
    {
        if ($this->closed && $kind !== CaseEntry::Withdrawn) {
            throw new InputError('kind', 'comes too late: this case is closed. Open another one');
        }
        if ($kind === CaseEntry::Seen && count($this->defects) >= self::MOST_DEFECTS) {
            throw new InputError('defect', 'is one too many: '.self::MOST_DEFECTS.' at most tell more than ten');
        }
        if ($kind === CaseEntry::Judged && $this->standing() === []) {
            throw new InputError('worked', 'is about nothing: no change waits to be judged');
        }
        if ($kind === CaseEntry::Withdrawn && $this->judged === []) {
            throw new InputError('kind', 'takes back nothing: no change was judged');
        }
        if ($kind === CaseEntry::Changed && self::text($said, 'parameter') === '') {
            throw new InputError('parameter', 'is missing: name what was changed');
        }
    }

    /** @return list<Made> that wait to be judged */
    public function standing(): array
    {
        return array_values(array_filter($this->changes, static fn (Made $m): bool => $m->worked === null));
    }

    /** @return list<array<string, float|bool|string|null>> as diagnose.rank takes them */
    public function history(): array
    {
        return array_map(static fn (Made $m): array => [
            'parameter' => $m->parameter, 'from' => $m->from, 'to' => $m->to, 'at' => $m->at, 'worked' => $m->worked,
        ], $this->changes);
    }

    /** Every cause that was confirmed or found not to be it, counted once for each defect that it was looked for. */
    public function tell(Outcomes $outcomes): void
    {
        foreach ($this->changes as $made) {
            if ($made->worked === null || $made->unclear || $made->cause === '') {
                continue;
            }
            foreach (array_keys($this->defects) as $defect) {
                $outcomes->count($defect, $made->cause, $made->worked);
            }
        }
    }

    /**
     * Whether the pieces since a change say that it worked: none of the first three was bad, or one was. Null while
     * they do not tell yet.
     *
     * @param  list<bool>  $badSince  judged since the newest change, in order
     */
    public static function saysWorked(array $badSince): ?bool
    {
        $judged = array_slice($badSince, 0, self::JUDGED_BY);
        if (in_array(true, $judged, true)) {
            return false;
        }

        return count($judged) >= self::JUDGED_BY ? true : null;
    }

    /** @param  array<array-key, mixed>  $said */
    private function see(array $said): void
    {
        $defect = self::text($said, 'defect');
        $where = self::text($said, 'where');
        $severity = Severity::tryFrom(self::text($said, 'severity')) ?? Severity::Scrap;
        $this->defects[$defect] = new SeenDefect($defect, $where === '' ? null : $where, $severity);
    }

    /** @param  array<array-key, mixed>  $said */
    private function change(array $said, float $at): void
    {
        $unclear = $this->standing() !== [];
        foreach ($unclear ? $this->standing() : [] as $before) {
            $before->unclear = true;
        }
        $number = static fn (string $name): ?float => is_numeric($said[$name] ?? null) ? (float) $said[$name] : null;
        $this->changes[] = new Made(
            self::text($said, 'parameter'),
            $number('from'),
            $number('to'),
            $at,
            self::text($said, 'cause'),
            $unclear,
        );
    }

    private function judge(bool $worked): void
    {
        $standing = $this->standing();
        foreach ($standing as $made) {
            $made->worked = $worked;
        }
        $this->judged[] = $standing;
    }

    private function withdraw(): void
    {
        foreach (array_pop($this->judged) ?? [] as $made) {
            $made->worked = null;
        }
    }

    /** @param  array<array-key, mixed>  $said */
    private static function text(array $said, string $name): string
    {
        $value = $said[$name] ?? '';

        return is_string($value) ? $value : '';
    }
}
