<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\Change;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Reader;

/** One thing of a job change: work of a person's hands, or a wait that goes on by itself once it was begun. */
final readonly class ChangeTask
{
    /**
     * @param  list<string>  $after
     * @param  list<string>  $taps
     */
    public function __construct(
        public string $id,
        public string $title,
        #[Field('what is done, in words for whoever does it')] public string $do,
        #[Field('what goes wrong without it')] public string $why,
        #[Field('a person\'s hands; false: it goes on by itself')] public bool $hands,
        #[Field('', 'min', min: 0)] public float $minutes,
        #[Field('tasks that have to be over before it', of: 'string')] public array $after = [],
        #[Field('persons that it wants')] public int $people = 1,
        #[Field('in front of the nozzle or between the platens: never two of these at once')]
        public bool $front = false,
        #[Field('begins as late as it may: what is hot early only cooks')] public bool $late = false,
        #[Field('what is asked when it is over; null where nothing is')] public ?Asks $asks = null,
        #[Field('', '°C')] public ?float $set_c = null,
        #[Field('', 'g')] public ?float $mass_g = null,
        #[Field('code of a polymer')] public ?string $polymer = null,
        #[Field('tapped one by one', of: 'string')] public array $taps = [],
        #[Field('null where nothing hurts')] public ?string $caution = null,
        #[Field('from the begin of the change', 'min')] public float $start_min = 0.0,
        #[Field('', 'min')] public float $end_min = 0.0,
        #[Field('the whole takes longer by every minute that it is late')] public bool $critical = false,
    ) {
    }

    /** @param  array<string, mixed>  $kept  of a plan that was kept */
    public static function of(array $kept): self
    {
        return Reader::read(self::class, $kept);
    }

    public function between(float $start, float $end, bool $critical): self
    {
        return new self(
            $this->id,
            $this->title,
            $this->do,
            $this->why,
            $this->hands,
            $this->minutes,
            $this->after,
            $this->people,
            $this->front,
            $this->late,
            $this->asks,
            $this->set_c,
            $this->mass_g,
            $this->polymer,
            $this->taps,
            $this->caution,
            round($start, 2),
            round($end, 2),
            $critical,
        );
    }
}
