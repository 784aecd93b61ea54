<?php

declare(strict_types=1);

namespace Dithermic\Core\Instrument;

use Dithermic\Core\Data\Record;

/**
 * What is known of a channel that is watched: folded over its readings in the order of their time. An alarm comes once
 * and stands until it is over.
 *
 * A low alarm waits until the channel has once been inside: what is still heating up is not too cold (the standby
 * sequence of controllers). A high one never waits. Both come, and go, only after the delay: what swings around a limit
 * rings once.
 */
final class Watch
{
    /** a change is taken over at least so long: the noise of two readings a second apart is no change, s */
    private const OVER_S = 30.0;

    /** a quick change is over when it is this share of what is allowed */
    private const CALM = 0.8;

    private bool $armed = false;

    private ?float $outSince = null;

    private ?AlarmKind $outSide = null;

    private ?float $inSince = null;

    private ?float $anchorAt = null;

    private float $anchor = 0.0;

    private ?float $lastAt = null;

    private float $last = 0.0;

    /** watched since, s since 1970 UTC; null while it is not */
    private ?float $since = null;

    /** @var array<string, true> */
    private array $standing = [];

    public static function from(Record $kept): self
    {
        $watch = new self;
        $watch->armed = $kept->is('armed');
        $watch->outSince = $kept->mayNumber('out_since');
        $watch->outSide = AlarmKind::tryFrom($kept->mayText('out_side') ?? '');
        $watch->inSince = $kept->mayNumber('in_since');
        $watch->anchorAt = $kept->mayNumber('anchor_at');
        $watch->anchor = $kept->number('anchor', 0.0);
        $watch->lastAt = $kept->mayNumber('last_at');
        $watch->last = $kept->number('last', 0.0);
        $watch->since = $kept->mayNumber('since');
        foreach ($kept->texts('standing') as $kind) {
            $watch->standing[$kind] = true;
        }

        return $watch;
    }

    /** @return array<string, mixed> what `from` makes the same of */
    public function kept(): array
    {
        return [
            'armed' => $this->armed,
            'out_since' => $this->outSince,
            'out_side' => $this->outSide?->value,
            'in_since' => $this->inSince,
            'anchor_at' => $this->anchorAt,
            'anchor' => $this->anchor,
            'last_at' => $this->lastAt,
            'last' => $this->last,
            'since' => $this->since,
            'standing' => array_keys($this->standing),
        ];
    }

    /** @return list<AlarmKind> */
    public function standing(): array
    {
        return array_map(AlarmKind::from(...), array_keys($this->standing));
    }

    public function lastAt(): ?float
    {
        return $this->lastAt;
    }

    /**
     * It is watched from here on, or was already.
     *
     * @param  float  $at  s since 1970 UTC
     */
    public function begin(float $at): void
    {
        if ($this->since === null) {
            $this->forget();
            $this->since = $at;
        }
    }

    /** Watched since, s since 1970 UTC; null while it is not. */
    public function since(): ?float
    {
        return $this->since;
    }

    /**
     * It is not watched any more: what stood is over, what it had learnt is forgotten.
     *
     * @return list<Turn>
     */
    public function end(float $at): array
    {
        $turns = array_map(
            fn (AlarmKind $kind): Turn => new Turn($kind, false, $at, $this->last, 0.0),
            $this->standing(),
        );
        $this->forget();

        return $turns;
    }

    /**
     * A reading came. An older one than the newest says nothing about now; one from before it was watched, only that it
     * came.
     *
     * @param  float  $at  s since 1970 UTC
     * @return list<Turn>
     */
    public function take(Limits $limits, ?Window $window, float $at, float $value): array
    {
        if ($this->lastAt !== null && $at <= $this->lastAt) {
            return [];
        }
        $this->lastAt = $at;
        $this->last = $value;
        if ($this->since === null || $at < $this->since) {
            return [];
        }

        return [
            ...$this->speaks($at),
            ...$this->changes($limits, $at, $value),
            ...$this->stays($limits, $window, $at, $value),
        ];
    }

    /**
     * Time has gone by.
     *
     * @param  float  $now  s since 1970 UTC
     * @return list<Turn>
     */
    public function look(Limits $limits, float $now): array
    {
        if ($limits->silentS === null || $this->since === null) {
            return [];
        }
        $quiet = $now - max($this->since, $this->lastAt ?? $this->since);

        return $quiet <= $limits->silentS ? [] : $this->raise(AlarmKind::Silent, $now, $quiet, $limits->silentS);
    }

    private function forget(): void
    {
        $this->armed = false;
        $this->outSince = $this->outSide = $this->inSince = $this->anchorAt = $this->since = null;
        $this->standing = [];
    }

    /** @return list<Turn> */
    private function speaks(float $at): array
    {
        return $this->clear(AlarmKind::Silent, $at, $this->last, 0.0);
    }

    /** @return list<Turn> */
    private function changes(Limits $limits, float $at, float $value): array
    {
        if ($limits->perMin === null) {
            return [];
        }
        if ($this->anchorAt === null) {
            [$this->anchorAt, $this->anchor] = [$at, $value];

            return [];
        }
        $over = $at - $this->anchorAt;
        if ($over < self::OVER_S) {
            return [];
        }
        $perMin = 60 * ($value - $this->anchor) / $over;
        [$this->anchorAt, $this->anchor] = [$at, $value];

        return match (true) {
            abs($perMin) > $limits->perMin => $this->raise(AlarmKind::Fast, $at, $perMin, $limits->perMin),
            abs($perMin) <= self::CALM * $limits->perMin => $this->clear(
                AlarmKind::Fast,
                $at,
                $perMin,
                $limits->perMin,
            ),
            default => [],
        };
    }

    /** @return list<Turn> */
    private function stays(Limits $limits, ?Window $window, float $at, float $value): array
    {
        $side = $window?->out($value);
        if ($window === null || $side === null) {
            return $this->isInside($limits, $at, $value);
        }
        $this->inSince = null;
        if ($side === AlarmKind::Low && ! $this->armed) {
            return [];
        }
        if ($this->outSide !== $side) {
            [$this->outSide, $this->outSince] = [$side, $at];
        }
        if ($at - ($this->outSince ?? $at) < $limits->delayS) {
            return [];
        }
        $other = $side === AlarmKind::Low ? AlarmKind::High : AlarmKind::Low;

        return [
            ...$this->clear($other, $at, $value, $window->limit($other)),
            ...$this->raise($side, $at, $value, $window->limit($side)),
        ];
    }

    /** @return list<Turn> */
    private function isInside(Limits $limits, float $at, float $value): array
    {
        $this->armed = true;
        $this->outSide = $this->outSince = null;
        $this->inSince ??= $at;
        if ($at - $this->inSince < $limits->delayS) {
            return [];
        }

        return [...$this->clear(AlarmKind::Low, $at, $value, 0.0), ...$this->clear(AlarmKind::High, $at, $value, 0.0)];
    }

    /** @return list<Turn> */
    private function raise(AlarmKind $kind, float $at, float $value, float $limit): array
    {
        if (isset($this->standing[$kind->value])) {
            return [];
        }
        $this->standing[$kind->value] = true;

        return [new Turn($kind, true, $at, $value, $limit)];
    }

    /** @return list<Turn> */
    private function clear(AlarmKind $kind, float $at, float $value, float $limit): array
    {
        if (! isset($this->standing[$kind->value])) {
            return [];
        }
        unset($this->standing[$kind->value]);

        return [new Turn($kind, false, $at, $value, $limit)];
    }
}
