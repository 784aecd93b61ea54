<?php

declare(strict_types=1);

namespace App\Material\Actions;

use App\Material\Models\Act;
use App\Material\Models\Source;
use App\Material\Support\ActKind;
use App\Material\Support\Ledger;
use App\Material\Support\MovementKind;
use App\People\Models\User;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Material\PolymerLibrary;

/** Takes a delivery in as a new container: the ledger's first line is what the scale said. */
final readonly class DeliverLot
{
    public function __construct(private Ledger $ledger, private PolymerLibrary $polymers)
    {
    }

    /**
     * @param  array<string, mixed>  $what  polymer, form, colour, swatch, location, generation, tare_g, sheet, reserved_for_id, picture_id
     */
    public function __invoke(string $id, User $by, Source $source, array $what, float $mass): Act
    {
        if (! $this->polymers->has((string) $what['polymer'])) {
            throw new InputError(
                'polymer',
                "there is no polymer \"{$what['polymer']}\": take one of the library, or UNKNOWN",
            );
        }

        return $this->ledger->act($id, ActKind::Delivered, $by, 'delivery, weighed', [], function (Act $act) use (
            $source,
            $what,
            $mass,
        ): void {
            $this->ledger->line(
                $act,
                $this->ledger->open(['source_id' => $source->id] + $what),
                $mass,
                MovementKind::Delivered,
            );
        });
    }
}
