<?php

declare(strict_types=1);

namespace Dithermic\Core\Stock;

use Dithermic\Core\Identification\Rank;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Safety\DryState;
use Dithermic\Core\Safety\SourceState;

/** What a lot wants before it may be used: known, small, clean, dry, trusted, in this order. */
enum LotStep: string
{
    case Find = 'find';
    case KeepCold = 'keep_cold';
    case Shred = 'shred';
    case Densify = 'densify';
    case Look = 'look';
    case Dry = 'dry';
    case SmallTrial = 'small_trial';
    case FullTrial = 'full_trial';
    case Accept = 'accept';
    case Use = 'use';

    /** forms in which something foreign can hide: sheets and pellets show it */
    private const LOOSE = ['flake', 'regrind', 'densified film'];

    /**
     * All that is still to be done, the first thing first; the last one is to use it, where nothing forbids that.
     *
     * @param  string  $polymer  its code, or one that is not in the library for what nobody knows
     * @param  bool  $looked  whether a sample was looked through for foreign matter
     * @return non-empty-list<self>
     */
    public static function of(
        PolymerLibrary $polymers,
        string $polymer,
        string $form,
        DryState $dry,
        SourceState $source,
        bool $looked,
    ): array {
        if (! $polymers->has($polymer) || $polymer === Rank::UNKNOWN) {
            return [self::Find];
        }
        $known = $polymers->get($polymer);
        if ($known->neverHot()) {
            return [self::KeepCold];
        }
        $steps = [];
        $shape = LotForm::tryFrom($form);
        if ($shape?->mustBeMadeSmall()) {
            $steps[] = $shape === LotForm::Film ? self::Densify : self::Shred;
        }
        if (! $looked && in_array($form, self::LOOSE, true)) {
            $steps[] = self::Look;
        }
        if ($known->mustBeDried() && ! $dry->isDry()) {
            $steps[] = self::Dry;
        }
        $steps[] = match ($source) {
            SourceState::OnTrial => self::SmallTrial,
            SourceState::SmallTrialPassed => self::FullTrial,
            SourceState::FullTrialPassed => self::Accept,
            SourceState::Accepted => self::Use,
        };

        return $steps;
    }

    public function says(): string
    {
        return match ($this) {
            self::Find => 'Find out what it is',
            self::KeepCold => 'Set it apart, marked: never hot',
            self::Shred => 'Shred it',
            self::Densify => 'Densify it',
            self::Look => 'Look a sample through',
            self::Dry => 'Dry it',
            self::SmallTrial => 'A small trial',
            self::FullTrial => 'A full-size trial',
            self::Accept => 'Accept the source',
            self::Use => 'Make something of it',
        };
    }

    public function because(): string
    {
        return match ($this) {
            self::Find => 'what is not known stays cold',
            self::KeepCold => 'heated, it gives off an acid that harms lungs and steel',
            self::Densify => 'loose it bridges over the feed, and takes air and water in with it',
            self::Shred => 'whole pieces can be neither weighed out nor melted evenly',
            self::Look => 'a little of another polymer, or of earth, spoils what is made of it',
            self::Dry => 'wet, it comes apart in the heat',
            self::SmallTrial => 'its source is on trial: a little of it first',
            self::FullTrial => 'the small trial passed: now one of full size',
            self::Accept => 'both trials passed: a lead lets it into stock',
            self::Use => 'its source is accepted',
        };
    }
}
