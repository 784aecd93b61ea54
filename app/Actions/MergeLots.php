<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Act;
use App\Models\LotMovement;
use App\Models\User;
use App\Support\Dryness;
use App\Support\Ledger;
use Dithermic\Core\Stock\Holding;
use Dithermic\Core\Stock\Merge;
use Dithermic\Core\Stock\Merged;

/** Puts lots of one polymer together in a new container; what that does to colour, trust and dryness is computed and kept. */
final readonly class MergeLots
{
    public function __construct(private Ledger $ledger, private Dryness $dryness)
    {
    }

    /** @param  list<array{id: int, mass_g: float}>  $parts */
    public function preview(array $parts): Merged
    {
        $lots = $this->ledger->lock(array_column($parts, 'id'));
        $holdings = [];
        foreach ($parts as ['id' => $id, 'mass_g' => $mass]) {
            $lot = $lots[$id];
            $holdings[] = new Holding($lot->code, $mass, $lot->polymer, $lot->form, $lot->colour, $lot->swatch, $lot->generation, $this->dryness->state($lot), $lot->source->state);
        }

        return Merge::of($holdings);
    }

    /**
     * @param  list<array{id: int, mass_g: float}>  $parts
     * @param  array{location: string, tare_g: float|null}  $container
     */
    public function __invoke(string $id, User $by, array $parts, array $container): Act
    {
        return $this->ledger->act($id, LotMovement::MERGED, $by, '', ['parts' => $parts], function (Act $act) use ($parts, $container): void {
            $merged = $this->preview($parts);
            $lots = $this->ledger->lock(array_column($parts, 'id'));
            $new = $this->ledger->open($container + [
                'source_id' => $lots[$parts[$merged->weakest]['id']]->source_id, 'polymer' => $merged->polymer, 'form' => $merged->form, 'colour' => mb_substr($merged->colour, 0, 60),
                'swatch' => $merged->swatch, 'generation' => $merged->generation,
            ]);
            foreach ($parts as $i => ['id' => $lotId, 'mass_g' => $mass]) {
                $this->ledger->line($act, $lots[$lotId], -$mass, LotMovement::MERGED, $new, "lots.{$i}.mass_g");
                $this->ledger->line($act, $new, $mass, LotMovement::MERGED, $lots[$lotId]);
            }
        });
    }
}
