<?php

declare(strict_types=1);

namespace App\Material\Actions;

use App\Material\Models\Act;
use App\Material\Models\Lot;
use App\Material\Support\ActKind;
use App\Material\Support\Ledger;
use App\Material\Support\MovementKind;
use App\People\Models\User;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Stock\LotForm;

/** Parts one lot, as it is or shredded, into a new container that remembers where it came from. */
final readonly class PartLot
{
    /** attributes that go with the material into the new container */
    private const INHERITED = [
        'source_id',
        'polymer',
        'form',
        'colour',
        'swatch',
        'generation',
        'sheet',
        'picture_id',
        'dried_at',
        'hopper',
        'rh_pct',
    ];

    public function __construct(private Ledger $ledger)
    {
    }

    /** @param  array{location: string, tare_g: float|null}  $container */
    public function split(string $id, User $by, int $lotId, float $mass, array $container): Act
    {
        return $this->ledger->act($id, ActKind::Split, $by, '', [], function (Act $act) use (
            $lotId,
            $mass,
            $container,
        ): void {
            $lot = $this->ledger->lock([$lotId])[$lotId];
            $new = $this->ledger->open($container + $lot->only(self::INHERITED) + ['dry_state' => $lot->dry_state]);
            $this->ledger->line($act, $lot, -$mass, MovementKind::Split, $new);
            $this->ledger->line($act, $new, $mass, MovementKind::Split, $lot);
        });
    }

    /**
     * Items, sheet or offcuts become flake, film is densified, in a container of its own, labelled before it goes in.
     * What is missing is dust.
     *
     * @param  array{location: string, tare_g: float|null}  $container
     */
    public function shred(string $id, User $by, int $lotId, float $in, float $out, array $container): Act
    {
        if ($out > $in) {
            throw new InputError('mass_out_g', 'is more than went in: check the tare');
        }

        return $this->ledger->act($id, ActKind::Shredded, $by, '', [], function (Act $act) use (
            $lotId,
            $in,
            $out,
            $container,
        ): void {
            $lot = $this->ledger->lock([$lotId])[$lotId];
            $small = LotForm::from($lot->form)->madeSmall()
                ?? throw new InputError('lot_id', "lot {$lot->code} is {$lot->form}: that is small already");
            // Our own edges and scrap have been through the heat once more; somebody else's items come as they are.
            $again = $lot->form === 'offcut' && $lot->source->name === 'Own regrind';
            $new = $this->ledger->open(
                $container + [
                    'form' => $small->value,
                    'sheet' => null,
                    'generation' => $lot->generation + (int) $again,
                ] + $lot->only(self::INHERITED),
            );
            $this->ledger->line($act, $lot, -$in, MovementKind::Shredded, $new, 'mass_in_g');
            $this->ledger->line($act, $new, $out, MovementKind::Shredded, $lot);
        });
    }
}
