<?php

declare(strict_types=1);

namespace App\Runs\Queries;

use App\Runs\Data\PassportData;
use App\Runs\Data\PassportSourceData;
use App\Runs\Models\Inspection;
use App\Runs\Models\PassportLine;
use App\Runs\Models\Run;
use App\Runs\Models\RunMaterial;
use App\Runs\Support\PassportShows;
use App\Support\Label;
use App\Support\ShopClock;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Process\Processes;
use Dithermic\Core\Stock\KeptFromWaste;

/** The passport of a run's parts: for the shop, what stands and could; for whoever has the code, what was ticked. */
final readonly class Passports
{
    public function __construct(
        private Processes $processes,
        private PolymerLibrary $polymers,
        private ShopClock $clock,
    ) {
    }

    public function ofRun(Run $run): PassportData
    {
        $stands = PassportLine::of($run)?->loadMissing('by');
        $run->loadMissing('materials.lot.source');

        return new PassportData(
            $stands?->id,
            $stands?->code === null ? null : self::address($stands->code),
            array_values(array_map(static fn (PassportShows $s): string => $s->value, $stands?->shows->all() ?? [])),
            $stands->waste ?? [],
            array_values($run->materials->map(static fn (RunMaterial $m): PassportSourceData => new PassportSourceData(
                $m->lot->source_id,
                $m->lot->source->name,
            ))->unique('id')->all()),
            $this->weighed($run) !== [],
            $stands?->by->name,
        );
    }

    public static function address(string $code): string
    {
        return Label::address("made/{$code}");
    }

    /**
     * What a code shows, as lines of what and its words; null where there is no such code, or it was taken back.
     *
     * @return array<string, string>|null
     */
    public function shown(string $code): ?array
    {
        $line = PassportLine::query()->where('code', $code)->latest('id')->first();
        $run = $line === null ? null : Run::query()->with(['product', 'materials.lot.source'])->find($line->run_id);
        if ($run === null || $line?->id !== PassportLine::of($run)?->id) {
            return null;
        }
        $lines = [];
        foreach (PassportShows::cases() as $shows) {
            $says = $line->shows->contains($shows) ? $this->says($shows, $run, $line) : null;
            if ($says !== null) {
                $lines[self::title($shows)] = $says;
            }
        }

        return $lines;
    }

    public function mark(Run $run): string
    {
        return $this->polymers->get($run->polymer)->mark();
    }

    private function says(PassportShows $shows, Run $run, PassportLine $line): ?string
    {
        return match ($shows) {
            PassportShows::Name => $run->product->name,
            PassportShows::Mark => "{$this->mark($run)} ({$this->polymers->get($run->polymer)->name()})",
            PassportShows::Sources => $run->materials->map(static fn (RunMaterial $m): string => $m->lot->source->name)
                ->unique()
                ->implode(', '),
            PassportShows::Kept => $this->kept($run, $line),
            PassportShows::Made => sprintf(
                '%s, %s',
                $this->processes->get($run->product->process)->made(),
                $this->clock->local($run->started_at)->format('j F Y'),
            ),
        };
    }

    private function kept(Run $run, PassportLine $line): ?string
    {
        $grams = KeptFromWaste::grams(
            array_values($run->materials->map(static fn (RunMaterial $m): array => [
                (float) $m->mass_g,
                in_array($m->lot->source_id, $line->waste, true),
            ])->all()),
            $this->weighed($run),
        );

        return $grams === null || $grams < 0.5
            ? null
            : sprintf('%s g in each part', number_format($grams, 0, '.', ' '));
    }

    /** @return list<float> g */
    private function weighed(Run $run): array
    {
        return array_values(array_map(floatval(...), Inspection::query()->where('run_id', $run->id)
            ->whereNotNull('mass_g')
            ->pluck('mass_g')
            ->all()));
    }

    private static function title(PassportShows $shows): string
    {
        return match ($shows) {
            PassportShows::Name => 'What it is',
            PassportShows::Mark => 'Plastic',
            PassportShows::Sources => 'Where it came from',
            PassportShows::Kept => 'Kept from waste',
            PassportShows::Made => 'How it was made',
        };
    }
}
