<?php

declare(strict_types=1);

namespace Dithermic\Core\Run;

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Data\Record;

/**
 * How a shop works a shipped procedure otherwise: other words and other usual minutes, more cautions, more to confirm,
 * more hands, stricter gates, steps of its own between the shipped ones. Nothing that is shipped goes: a gate, a
 * caution and what is logged stand for ever, so that every calculation and every safety rule still finds what it asks
 * for. What is changed is kept apart from the procedure and laid over it, so that a shop keeps its way when a new one
 * is shipped.
 *
 * A change is `{step, title?, do?, why?, button?, typical_min?, people?, strict?, cautions?, checks?}` of a shipped
 * step, or `{after, title, do, why?, button?, place?, typical_min?, people?, hands?, cautions?, checks?}` for one of
 * the shop's own.
 */
final readonly class OwnWay
{
    public const MOST_CHANGES = 60;

    /** what begins the id of a step and of a thing to confirm that is the shop's own */
    public const OWN = 'own_';

    private const MOST_OF_ONE = 6;

    private const MOST_PEOPLE = 6;

    private const LONGEST_MIN = 600.0;

    /** most letters of a text */
    private const LETTERS = [
        'title' => 60,
        'do' => 300,
        'why' => 200,
        'button' => 40,
        'cautions' => 200,
        'checks' => 120,
    ];

    private const OF_STEP = [
        'step', 'title', 'do', 'why', 'button', 'typical_min', 'people', 'strict', 'cautions', 'checks',
    ];

    private const OF_OWN = [
        'after', 'title', 'do', 'why', 'button', 'place', 'typical_min', 'people', 'hands', 'cautions', 'checks',
    ];

    /**
     * The procedure as the shop works it.
     *
     * @param  array<array-key, mixed>  $shipped  a procedure's body
     * @param  array<array-key, mixed>  $changes  in order; each is what the class says
     * @return array<array-key, mixed> a body of the same shape
     *
     * @throws InputError by the dotted name of the change
     */
    public static function over(array $shipped, array $changes): array
    {
        if (! array_is_list($changes)) {
            throw new InputError('changes', 'must be a list');
        }
        if (count($changes) > self::MOST_CHANGES) {
            throw new InputError(
                'changes',
                'are '.self::MOST_CHANGES.' at most: see which of them still say something',
            );
        }
        $procedure = new Procedure($shipped);
        $steps = array_column((new Record($shipped))->array('steps'), null, 'id');
        $seen = [];
        $own = [];
        foreach ($changes as $i => $change) {
            $at = "changes.{$i}";
            if (! is_array($change) || isset($change['step']) === isset($change['after'])) {
                throw new InputError($at, 'names either a "step" that it changes or the one that it comes "after"');
            }
            $of = is_string($change['step'] ?? $change['after']) ? $change['step'] ?? $change['after'] : '';
            $step = $procedure->step($of) ?? throw new InputError(
                $at.(isset($change['step']) ? '.step' : '.after'),
                'is no step of this procedure: '.implode(', ', array_keys($steps)),
            );
            if (isset($change['after'])) {
                $made = self::own($change, $step, $procedure, $at);
                $id = self::idOf((string) self::text($change, 'title', $at));
                if (isset($own[$id])) {
                    throw new InputError("{$at}.title", 'is the name of another step');
                }
                $own[$id] = ['after' => $of, 'step' => ['id' => $id] + $made];

                continue;
            }
            if (isset($seen[$of])) {
                throw new InputError("{$at}.step", 'is changed twice: put both into one');
            }
            $seen[$of] = true;
            $steps[$of] = self::changed((array) $steps[$of], $change, $step, $at);
        }

        return ['steps' => self::inOrder($steps, $own)] + $shipped;
    }

    /**
     * What is otherwise than shipped, a line for each, as it is said to people.
     *
     * @param  array<array-key, mixed>  $shipped
     * @param  array<array-key, mixed>  $changes  that can be laid over it, or could once
     * @return list<string>
     */
    public static function says(array $shipped, array $changes): array
    {
        $procedure = new Procedure($shipped);
        $titleOf = static fn (string $id): string => $procedure->step($id)->title ?? $id;
        $says = [];
        foreach ((new Record(['c' => $changes]))->each('c') as $change) {
            $minutes = $change->mayNumber('typical_min');
            $own = $change->mayText('after');
            $parts = array_filter([
                $own === null ? null : "a step \"{$change->text('title')}\" after it: {$change->text('do')}",
                $own === null ? self::said('called', $change->mayText('title')) : null,
                $own === null ? self::said('do:', $change->mayText('do')) : null,
                self::said('why:', $change->mayText('why')),
                self::said('button:', $change->mayText('button')),
                $minutes === null ? null : "usually {$minutes} min",
                $change->has('people') ? "people: {$change->number('people')}" : null,
                $change->is('strict') ? 'never passed without what it asks for' : null,
                ...array_map(static fn (string $c): string => "caution: {$c}", $change->texts('cautions')),
                ...array_map(static fn (string $c): string => "to confirm: {$c}", $change->texts('checks')),
            ]);
            $says[] = $titleOf($own ?? $change->text('step', '')).': '.implode('; ', $parts);
        }

        return $says;
    }

    /**
     * What a lead should think of before it is so: what stands hot meanwhile, and what is seen by nobody.
     *
     * @param  array<array-key, mixed>  $shipped
     * @param  array<array-key, mixed>  $changes  that can be laid over it
     * @return list<string>
     */
    public static function doubts(array $shipped, array $changes): array
    {
        $procedure = new Procedure($shipped);
        $doubts = [];
        foreach ((new Record(['c' => $changes]))->each('c') as $change) {
            $before = $procedure->step($change->text('after', ''));
            $next = $before === null ? null : $procedure->after($before);
            if ($before === null || $next === null) {
                continue;
            }
            $title = $change->text('title');
            $heat = $procedure->place($before->place)?->heat;
            if ($heat === 'in' && $procedure->place($next->place)?->heat === 'out') {
                $doubts[] = "\"{$title}\" stands between heat in and heat out: what is hot waits and cools without load";
            }
            if ($before->timer !== null && $heat === 'in') {
                $doubts[] = "\"{$title}\" comes when \"{$before->title}\" is over: it heats on for as long as that takes";
            }
            if ($next->timer !== null && $before->starts === $next->timer) {
                $doubts[] = "\"{$title}\" is done while a timer runs: only what can be left when it rings belongs there";
            }
        }

        return $doubts;
    }

    /**
     * @param  array<array-key, mixed>  $body
     * @param  array<array-key, mixed>  $change
     * @return array<array-key, mixed>
     */
    private static function changed(array $body, array $change, Step $step, string $at): array
    {
        self::mustKnow($change, self::OF_STEP, $at);
        foreach (['title', 'do', 'why', 'button'] as $name) {
            $body[$name] = self::text($change, $name, $at) ?? $body[$name];
        }
        $minutes = self::minutes($change, $at);
        $body['typical_min'] = $minutes ?? $body['typical_min'] ?? 1.0;
        if ($minutes !== null) {
            // What the shop says goes before what a plan would.
            unset($body['plan_min']);
        }
        $people = self::people($change, $at);
        if ($people !== null && $people < $step->people) {
            throw new InputError("{$at}.people", "are {$step->people} at least here: more may be asked, not fewer");
        }
        $body['people'] = $people ?? $body['people'];
        if (($change['strict'] ?? false) !== false) {
            $body['pass_anyway'] = PassAnyway::No->value;
        }

        return self::asked($body, $change, $step->hands, $at);
    }

    /**
     * @param  array<array-key, mixed>  $change
     * @return array<array-key, mixed> all of a step but its id
     */
    private static function own(array $change, Step $after, Procedure $procedure, string $at): array
    {
        self::mustKnow($change, self::OF_OWN, $at);
        $title = self::text($change, 'title', $at) ?? throw new InputError("{$at}.title", 'is missing');
        $place = $change['place'] ?? $after->place;
        if (! is_string($place) || $procedure->place($place) === null) {
            $places = array_map(static fn (Place $p): string => $p->id, $procedure->places());
            throw new InputError("{$at}.place", 'must be one of: '.implode(', ', $places));
        }
        $hands = is_string($change['hands'] ?? 'free') ? Hold::tryFrom($change['hands'] ?? 'free') : null;
        if ($hands === null) {
            throw new InputError("{$at}.hands", 'must be one of: free, one, none');
        }
        $people = self::people($change, $at) ?? 1;
        if ($people < 1) {
            throw new InputError("{$at}.people", 'is at least one: somebody does it');
        }

        return self::asked([
            'stage' => $after->stage,
            'place' => $place,
            'phase' => $after->phase->value,
            'people' => $people,
            'hands' => $hands->value,
            'title' => $title,
            'do' => self::text($change, 'do', $at) ?? throw new InputError("{$at}.do", 'is missing'),
            'why' => self::text($change, 'why', $at) ?? '',
            'button' => self::text($change, 'button', $at) ?? 'Done',
            'typical_min' => self::minutes($change, $at) ?? 1.0,
            'pass_anyway' => PassAnyway::No->value,
        ], $change, $hands, $at);
    }

    /**
     * With its cautions and what is confirmed in it.
     *
     * @param  array<array-key, mixed>  $body
     * @param  array<array-key, mixed>  $change
     * @return array<array-key, mixed>
     */
    private static function asked(array $body, array $change, Hold $hands, string $at): array
    {
        $cautions = self::texts($change, 'cautions', $at);
        if ($cautions !== []) {
            $body['cautions'] = [...(array) ($body['cautions'] ?? []), ...$cautions];
        }
        $checks = self::texts($change, 'checks', $at);
        if ($checks === []) {
            return $body;
        }
        if ($hands === Hold::None) {
            throw new InputError(
                "{$at}.checks",
                'cannot be tapped: no hand is free in this step. Ask in the one before',
            );
        }
        $items = [];
        foreach ($checks as $i => $text) {
            $id = self::idOf($text);
            if (isset($items[$id])) {
                throw new InputError("{$at}.checks.{$i}", 'says the same as another');
            }
            $items[$id] = ['id' => $id, 'text' => $text];
        }
        $body['confirm'] = [...(array) ($body['confirm'] ?? []), ...array_values($items)];
        $body['gate'] = [...(array) ($body['gate'] ?? []), ['confirmed' => array_keys($items)]];

        return $body;
    }

    /**
     * @param  array<array-key, mixed>  $steps  by id
     * @param  array<string, array{after: string, step: array<array-key, mixed>}>  $own
     * @return list<mixed>
     */
    private static function inOrder(array $steps, array $own): array
    {
        $all = [];
        foreach ($steps as $id => $step) {
            $all[] = $step;
            foreach ($own as $one) {
                if ($one['after'] === $id) {
                    $all[] = $one['step'];
                }
            }
        }

        return $all;
    }

    /**
     * @param  array<array-key, mixed>  $change
     * @param  list<string>  $known
     */
    private static function mustKnow(array $change, array $known, string $at): void
    {
        $unknown = array_values(array_diff(array_map(strval(...), array_keys($change)), $known));
        if ($unknown !== []) {
            throw new InputError("{$at}.{$unknown[0]}", 'cannot be changed. What can: '.implode(', ', $known));
        }
        if (array_key_exists('strict', $change) && ! is_bool($change['strict'])) {
            throw new InputError("{$at}.strict", 'must be true or false');
        }
    }

    /** @param  array<array-key, mixed>  $change */
    private static function text(array $change, string $name, string $at): ?string
    {
        return isset($change[$name]) ? self::words($change[$name], self::LETTERS[$name], "{$at}.{$name}") : null;
    }

    /**
     * @param  array<array-key, mixed>  $change
     * @return list<string>
     */
    private static function texts(array $change, string $name, string $at): array
    {
        $given = $change[$name] ?? [];
        if (! is_array($given) || ! array_is_list($given) || count($given) > self::MOST_OF_ONE) {
            throw new InputError("{$at}.{$name}", 'must be a list of '.self::MOST_OF_ONE.' at most');
        }
        $texts = [];
        foreach ($given as $i => $one) {
            $texts[] = self::words($one, self::LETTERS[$name], "{$at}.{$name}.{$i}");
        }

        return $texts;
    }

    private static function words(mixed $given, int $letters, string $at): string
    {
        $text = is_string($given) ? trim((string) preg_replace('/[\p{C}\s]+/u', ' ', $given)) : '';
        if ($text === '') {
            throw new InputError($at, 'must be words');
        }
        if (mb_strlen($text) > $letters) {
            throw new InputError($at, "is {$letters} letters at most: who reads it stands at a machine");
        }

        return $text;
    }

    private static function said(string $what, ?string $text): ?string
    {
        return $text === null ? null : "{$what} {$text}";
    }

    /** @param  array<array-key, mixed>  $change */
    private static function minutes(array $change, string $at): ?float
    {
        $given = $change['typical_min'] ?? null;
        if ($given === null) {
            return null;
        }
        if ((! is_int($given) && ! is_float($given)) || ! ($given > 0) || $given > self::LONGEST_MIN) {
            throw new InputError("{$at}.typical_min", 'must be minutes above 0 and up to '.self::LONGEST_MIN);
        }

        return (float) $given;
    }

    /** @param  array<array-key, mixed>  $change */
    private static function people(array $change, string $at): ?int
    {
        $given = $change['people'] ?? null;
        if ($given === null) {
            return null;
        }
        if (! is_int($given) || $given < 0 || $given > self::MOST_PEOPLE) {
            throw new InputError("{$at}.people", 'must be a whole number up to '.self::MOST_PEOPLE);
        }

        return $given;
    }

    /** An id of letters, as the schema has them; words in other letters are told apart by their sum. */
    private static function idOf(string $text): string
    {
        $slug = trim((string) preg_replace('/[^a-z]+/', '_', mb_strtolower($text)), '_');
        $sum = strtr(substr(hash('sha256', mb_strtolower($text)), 0, 6), '0123456789', 'ghijklmnop');

        return self::OWN.mb_substr($slug, 0, 24).($slug === '' ? '' : '_').$sum;
    }
}
