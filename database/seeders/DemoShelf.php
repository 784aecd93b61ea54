<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\People\Models\User;
use App\Planning\Actions\KeepOrders;
use App\Runs\Models\RunOutput;
use App\Runs\Support\OutputKind;
use App\Shop\Actions\KeepCare;
use App\Shop\Actions\KeepFinishing;
use App\Shop\Actions\KeepParts;
use App\Shop\Actions\MoveGoods;
use App\Shop\Models\Care;
use App\Shop\Models\CareDone;
use App\Shop\Models\GoodsMovement;
use App\Shop\Models\Machine;
use App\Shop\Models\Product;
use App\Shop\Queries\Goods;
use App\Shop\Support\GoodsMovementKind;
use App\Shop\Support\PartMovementKind;
use Carbon\CarbonImmutable;
use Ramsey\Uuid\Uuid;

/** What left the shelf in three months, when more is made, and what of the machines is looked after. */
final readonly class DemoShelf
{
    /** at so many or fewer, up to so many */
    private const WATCHED = [
        'hive floor panel' => [2, 12],
        'divider board' => [4, 12],
        'entrance reducer' => [12, 60],
        'syrup feeder tray' => [6, 40],
        'travel lid' => [6, 20],
    ];

    /** days between two market days, and what of the shelf goes there */
    private const MARKET_DAYS = 7;

    private const SHARE = 0.7;

    /** machine, what, why, every so many days and pieces, days since it was last done */
    private const CARE = [
        ['Anvil', 'Grease the guide posts', 'Dry guides drift, and the sheet comes out as a wedge.', null, 40, 30],
        ['Anvil', 'Wipe and look at both plates against the light', 'A scratch copies onto every sheet.', 30, null, 27],
        ['Bellows', 'Leak test: cold sheet, valve open, two minutes', 'A leak found cold costs a minute.', 7, null, 9],
        ['Heron', 'Look at the nozzle seat', 'A worn seat leaks under pressure.', null, 2000, 12],
    ];

    /** bought-in part, how many came, at so many or fewer up to so many, days it takes */
    private const PARTS = [
        ['oak dowel 8 × 40', 120, 40, 200, 5],
        ['kraft sleeve', 60, 50, 300, 3],
    ];

    /** product, what is done in minutes with which part, how many wait for it */
    private const FINISHED = [
        [
            'stand rail',
            [['saw both ends', 2.0, null, 0], ['drill', 1.5, null, 0], ['fit', 1.0, 'oak dowel 8 × 40', 2]], 3,
        ],
        ['frame spacer clip', [['cut the gate off', 0.3, null, 0], ['pack', 0.2, 'kraft sleeve', 1]], 12],
    ];

    /** what, how many, wanted in so many hours, for whom */
    private const ORDERS = [
        ['divider board', 14, 26, 'for the co-op\'s stall'],
        ['travel lid', 18, 50, 'the nursery on the quay'],
    ];

    /** seen by somebody, once */
    private const RAISED = [['Heron', 'Lever pin has play', 'Clicks at the end of the stroke since this week.']];

    public function __construct(
        private MoveGoods $move,
        private KeepCare $care,
        private KeepOrders $orders,
        private KeepParts $parts,
        private KeepFinishing $finishing,
        private Goods $goods,
    ) {
    }

    public function __invoke(User $lead, User $seer, CarbonImmutable $now): void
    {
        foreach (Product::query()->orderBy('id')->get() as $product) {
            $this->sold($product, $seer, $now);
            if (isset(self::WATCHED[$product->name])) {
                $this->move->watch($product, $product->revision, ...self::WATCHED[$product->name]);
            }
        }
        foreach (self::ORDERS as [$name, $count, $hours, $words]) {
            $product = Product::query()->where('name', $name)->firstOrFail();
            $due = (float) $now->addHours($hours)->format('U.v');
            $this->orders->take(Uuid::uuid7()->toString(), $lead, $product, $count, $due, $words);
        }
        $this->finished($lead, $seer);
        foreach (self::CARE as [$machine, $title, $why, $days, $pieces, $ago]) {
            $care = $this->add($machine, $lead, $title, $why, $days, $pieces);
            CareDone::query()->create([
                'id' => Uuid::uuid7()->toString(),
                'care_id' => $care->id,
                'by_id' => $seer->id,
                'at' => $now->subDays($ago),
            ]);
        }
        foreach (self::RAISED as [$machine, $title, $why]) {
            $this->add($machine, $seer, $title, $why, null, null);
        }
    }

    private function finished(User $lead, User $by): void
    {
        /** @var array<string, int> $ids */
        $ids = [];
        foreach (self::PARTS as [$name, $came, $at, $to, $days]) {
            $part = $this->parts->say(null, [
                'name' => $name, 'reorder_at' => $at, 'order_to' => $to, 'comes_days' => $days, 'retired' => false,
            ], null);
            $this->parts->move(
                Uuid::uuid7()->toString(),
                $part,
                PartMovementKind::Came,
                $came,
                'Thornwick hardware',
                $by,
            );
            $ids[$name] = $part->id;
        }
        foreach (self::FINISHED as [$name, $steps, $wait]) {
            $product = Product::query()->where('name', $name)->firstOrFail();
            // The last ones stand there as they came out.
            $raw = min($wait, $this->goods->held($product));
            $this->finishing->say($product, 0, array_map(static fn (array $s): array => [
                'title' => $s[0],
                'minutes' => $s[1],
                'people' => 1,
                'uses' => $s[2] === null ? [] : [['part_id' => $ids[$s[2]], 'count' => $s[3]]],
            ], $steps), $raw, $lead);
        }
    }

    private function sold(Product $product, User $by, CarbonImmutable $now): void
    {
        $gone = 0;
        for ($day = $now->subDays(84); $day < $now; $day = $day->addDays(self::MARKET_DAYS)) {
            $made = (int) RunOutput::query()->where('kind', OutputKind::Goods)
                ->where('product_id', $product->id)->where('at', '<', $day)->sum('count');
            $count = (int) floor(self::SHARE * ($made - $gone));
            if ($count < 1) {
                continue;
            }
            $gone += $count;
            GoodsMovement::query()->create([
                'id' => Uuid::uuid7()->toString(),
                'product_id' => $product->id,
                'kind' => GoodsMovementKind::Taken,
                'count' => -$count,
                'reason' => 'market day',
                'by_id' => $by->id,
                'at' => $day,
            ]);
        }
    }

    private function add(string $machine, User $by, string $title, string $why, ?int $days, ?int $pieces): Care
    {
        return $this->care->add(Uuid::uuid7()->toString(), $by, Machine::query()->where('name', $machine)->firstOrFail(), [
            'title' => $title, 'why' => $why, 'every_days' => $days, 'every_pieces' => $pieces, 'run_id' => null,
        ]);
    }
}
