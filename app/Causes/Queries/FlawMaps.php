<?php

declare(strict_types=1);

namespace App\Causes\Queries;

use App\Causes\Data\FlawData;
use App\Causes\Data\FlawKindData;
use App\Causes\Data\FlawMapData;
use App\Causes\Models\Flaw;
use App\Runs\Models\Run;
use App\Shop\Models\Product;
use App\Support\Seconds;
use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Data\Record;
use Dithermic\Core\Diagnosis\Knowledge;
use Dithermic\Core\Process\Outline;
use Dithermic\Core\Process\Processes;
use Dithermic\Core\Quality\FlawMapResult;
use Illuminate\Support\Collection;

/** Flaws as they lie on a part, put before the core's quality.flaw_map kind by kind. */
final readonly class FlawMaps
{
    /** newest of a product: what was before that was of another mould's life */
    private const MOST = 400;

    /** of so many of the last runs */
    private const RUNS = 400;

    /** a part of which nobody said how large it is */
    private const SQUARE_MM = 100.0;

    public function __construct(
        private Processes $processes,
        private Registry $calculations,
        private Knowledge $knowledge,
    ) {
    }

    public function ofRun(Run $run): FlawMapData
    {
        return $this->map($run->product, Flaw::query()->standing()->where('run_id', $run->id)->orderByDesc('at')->orderBy('id')
            ->limit(self::MOST)->with(['by', 'run:id,number'])->get());
    }

    public function ofProduct(Product $product): FlawMapData
    {
        return $this->map($product, $this->newest($product));
    }

    /** What is known of where a flaw of a piece lies on its fellows; null where none of it is marked. */
    public function about(Run $run, ?int $piece): ?FlawMapResult
    {
        $own = Flaw::query()
            ->standing()
            ->where(['run_id' => $run->id, 'piece' => $piece])
            ->orderByDesc('at')
            ->orderBy('id')
            ->first();
        if ($own === null) {
            return null;
        }
        $alike = $this->newest($run->product)->where('defect', $own->defect);

        return $this->look($this->face($run->product), $alike);
    }

    /** @return Collection<int, Flaw> */
    private function newest(Product $product): Collection
    {
        $runs = Run::query()->select('id')->where('product_id', $product->id)
            ->orderByDesc('started_at')->orderByDesc('id')->limit(self::RUNS);

        return Flaw::query()->standing()->whereIn('run_id', $runs)
            ->orderByDesc('at')->orderBy('id')
            ->limit(self::MOST)
            ->with(['by', 'run:id,number'])
            ->get();
    }

    /** @param  Collection<int, Flaw>  $flaws */
    private function map(Product $product, Collection $flaws): FlawMapData
    {
        $face = $this->face($product);
        $of = $face ?? new Outline(self::SQUARE_MM, self::SQUARE_MM, 0.0);
        $kinds = [];
        foreach ($flaws->groupBy('defect') as $defect => $alike) {
            $look = $this->look($face, $alike);
            $kinds[] = new FlawKindData(
                (string) $defect,
                $this->knowledge->defects[$defect]['name'] ?? (string) $defect,
                $alike->count(),
                $look->radius_mm,
                $look->places,
                $look->explanation,
            );
        }
        usort(
            $kinds,
            static fn (FlawKindData $a, FlawKindData $b): int => [$b->marks, $a->name] <=> [$a->marks, $b->name],
        );

        $marks = array_map(static fn (Flaw $f): FlawData => new FlawData(
            $f->id,
            $f->run_id,
            $f->run->number,
            $f->piece,
            (string) $f->defect,
            (float) $f->along,
            (float) $f->across,
            $f->by->name,
            Seconds::of($f->at),
        ), array_values($flaws->all()));

        return new FlawMapData($of->lengthMm, $of->widthMm, $of->cornerMm, $face !== null, $marks, $kinds);
    }

    private function face(Product $product): ?Outline
    {
        return $this->processes->get($product->process)->face(new Record($product->dimensions));
    }

    /** @param  Collection<int, Flaw>  $flaws  of one kind, one or more */
    private function look(?Outline $face, Collection $flaws): FlawMapResult
    {
        $of = $face ?? new Outline(self::SQUARE_MM, self::SQUARE_MM, 0.0);
        $numbers = [];
        $marks = [];
        foreach ($flaws->sortBy('at') as $flaw) {
            $numbers["{$flaw->run_id}:{$flaw->piece}"] ??= count($numbers) + 1;
            $marks[] = [
                'piece' => $numbers["{$flaw->run_id}:{$flaw->piece}"],
                'x_mm' => $flaw->along * $of->lengthMm,
                'y_mm' => $flaw->across * $of->widthMm,
            ];
        }
        $result = $this->calculations->run('quality.flaw_map', [
            'length_mm' => $of->lengthMm,
            'width_mm' => $of->widthMm,
            'marks' => $marks,
        ]);
        assert($result instanceof FlawMapResult);

        return $result;
    }
}
