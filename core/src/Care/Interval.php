<?php

declare(strict_types=1);

namespace Dithermic\Core\Care;

use Dithermic\Core\Calculator\InputError;

/**
 * When something of a machine is to be looked after again: after so many days, so many pieces, whichever comes first;
 * or at once, where somebody has raised it and it comes but once.
 */
final readonly class Interval
{
    /** from this share of its time or count on it comes soon */
    private const SOON = 0.9;

    /** @throws InputError */
    public function __construct(public ?int $days, public ?int $pieces)
    {
        foreach (['every_days' => $days, 'every_pieces' => $pieces] as $field => $every) {
            if ($every !== null && $every < 1) {
                throw new InputError($field, 'must be at least 1');
            }
        }
    }

    /** It comes once: raised by somebody, and over when it is done. */
    public function isOnce(): bool
    {
        return $this->days === null && $this->pieces === null;
    }

    /**
     * @param  bool  $done  it has been done since it was entered
     * @param  float  $days  since it was last done, else since it was entered
     * @param  int  $pieces  made on the machine since then
     */
    public function state(bool $done, float $days, int $pieces): CareState
    {
        if ($this->isOnce()) {
            return $done ? CareState::Ok : CareState::Due;
        }
        $share = max(
            $this->days === null ? 0.0 : $days / $this->days,
            $this->pieces === null ? 0.0 : $pieces / $this->pieces,
        );

        return match (true) {
            $share >= 1 => CareState::Due,
            $share >= self::SOON => CareState::Soon,
            default => CareState::Ok,
        };
    }

    /** How far it is, in words: "140 of 200 pieces, 12 of 30 days". */
    public function says(float $days, int $pieces): string
    {
        $parts = [
            $this->pieces === null ? null : "{$pieces} of {$this->pieces} pieces",
            $this->days === null ? null : sprintf('%d of %d days', (int) floor($days), $this->days),
        ];

        return implode(', ', array_filter($parts)) ?: 'raised once';
    }
}
