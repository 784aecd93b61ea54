<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Bench\Support\MeshStore;
use App\Instruments\Actions\SayOfChannel;
use App\Instruments\Actions\TakeReadings;
use App\Instruments\Models\Channel;
use App\Material\Actions\CloseSorting;
use App\Material\Actions\DeliverLot;
use App\Material\Actions\KeepMix;
use App\Material\Models\Act;
use App\Material\Models\Drying;
use App\Material\Models\Lot;
use App\Material\Models\LotMovement;
use App\Material\Models\Sorting;
use App\Material\Models\SortingBin;
use App\Material\Models\SortingEntry;
use App\Material\Models\Source;
use App\Material\Models\SourceEvent;
use App\Material\Support\ActKind;
use App\Material\Support\MovementKind;
use App\Material\Support\SortingState;
use App\People\Models\User;
use App\People\Support\Role;
use App\Runs\Actions\Order;
use App\Runs\Actions\PlanRun;
use App\Runs\Actions\RecordEvents;
use App\Runs\Actions\StartRun;
use App\Runs\Data\PlanData;
use App\Runs\Models\ProcedureVersion;
use App\Runs\Models\Run;
use App\Shop\Actions\KeepProduct;
use App\Shop\Actions\SayOfMachine;
use App\Shop\Models\Machine;
use App\Shop\Models\Product;
use App\Shop\Models\Recipe;
use App\Support\Seconds;
use Carbon\CarbonImmutable;
use Closure;
use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Drying\PlanResult;
use Dithermic\Core\Heat\Press\PressCycleResult;
use Dithermic\Core\Instrument\Limits;
use Dithermic\Core\Instrument\Watched;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Practice\Dice;
use Dithermic\Core\Practice\PressHabits;
use Dithermic\Core\Practice\Shift;
use Dithermic\Core\Process\Compression\Pressing;
use Dithermic\Core\Process\FactOrigin;
use Dithermic\Core\Process\Processes;
use Dithermic\Core\Run\Event;
use Dithermic\Core\Run\EventType;
use Dithermic\Core\Stock\Trust;
use Illuminate\Support\Facades\DB;
use LogicException;
use Ramsey\Uuid\Uuid;

/**
 * Hollow Oak Apiary Works of Thornwick Hythe, invented. Its history is pressed by the core's own simulation and goes in
 * through the same doors as a real run's.
 */
final class DemoShop
{
    /** name => [login, role, password, PIN] */
    public const PEOPLE = [
        'Maren Okafor' => ['maren', Role::Lead, 'two-heats-oak', '4471'],
        'Teodor Blum' => ['teodor', Role::Operator, 'warm-in-cold-out', '2386'],
        'Ines Halloran' => ['ines', Role::Operator, 'flake-to-panel', '7305'],
        'Jun Asare' => ['jun', Role::Operator, 'slow-and-even', '1942'],
    ];

    private const RUNS = 42;

    /** since when injectors, extruder and former have instruments; the press has had its own for longer */
    private const INSTRUMENTS_DAYS = 40;

    /** measures of stock sheets, by lot */
    private const SHEETS = [
        'L-0093' => ['length_mm' => 1220, 'width_mm' => 610, 'thickness_mm' => 1.5],
        'L-0094' => ['length_mm' => 1220, 'width_mm' => 610, 'thickness_mm' => 3.0],
    ];

    /** @var array<string, User> */
    private array $people = [];

    /** @var array<string, Machine> */
    private array $machines = [];

    /** @var array<string, Lot> */
    private array $lots = [];

    public function __construct(
        private readonly PlanRun $plan,
        private readonly StartRun $start,
        private readonly RecordEvents $record,
        private readonly Processes $processes,
        private readonly Registry $calculations,
        private readonly PolymerLibrary $polymers,
        private readonly KeepProduct $keepProduct,
        private readonly MeshStore $meshes,
        private readonly CloseSorting $closeSorting,
        private readonly KeepMix $keepMix,
        private readonly DeliverLot $deliver,
        private readonly SayOfMachine $sayOfMachine,
        private readonly DemoShelf $shelf,
        private DemoFlaws $flaws,
        private readonly DemoParts $parts,
        private readonly TakeReadings $take,
        private readonly SayOfChannel $sayOfChannel,
    ) {
    }

    public function __invoke(): void
    {
        $now = CarbonImmutable::now();
        DB::transaction(function () use ($now): void {
            $this->people();
            $this->machines();
            $this->meshes->keep(
                base_path('core/data/feeder-tray.stl'),
                'syrup feeder tray, mould.stl',
                $this->people['Maren Okafor'],
            );
            $products = $this->products();
            $this->material($now->subDays(94));
            $this->history($products, $now);
            $this->oneCooling($products['divider board'], $now);
            $this->today($now);
            $this->channels();
            ($this->shelf)($this->people['Maren Okafor'], $this->people['Jun Asare'], $now);
            ($this->flaws)($this->people['Jun Asare']);
            ($this->parts)($this->people['Maren Okafor'], $this->people['Ines Halloran']);
        });
    }

    /** Between what the shop's channels should stay, and a probe that was held beside a glass thermometer. */
    private function channels(): void
    {
        $lead = $this->people['Maren Okafor'];
        // A cold stack takes the platens down by some fifteen kelvin for a while, and should.
        $platen = new Limits(Watched::Run, -25.0, 8.0, 'platen_c', 90.0);
        $melt = new Limits(Watched::Run, -12.0, 10.0, 'melt_c', 120.0);
        $say = [
            ['Anvil', 'platen_top_c', $platen, 'lower than a cold stack takes them'],
            ['Anvil', 'platen_low_c', $platen, ''],
            ['Heron', 'barrel_c', $melt, ''],
            ['Adder', 'barrel_c', $melt, ''],
            ['Adder', 'bath_c', new Limits(Watched::Run, null, 35.0), 'over that the skin is late'],
        ];
        foreach ($say as [$machine, $key, $limits, $note]) {
            $channel = $this->channel($machine, $key);
            if ($channel !== null) {
                $this->sayOfChannel->limits($channel, 0, $limits, $note, $lead);
            }
        }
        $probe = $this->channel('Anvil', 'platen_low_c');
        if ($probe !== null) {
            $after = (int) $probe->log()->max('id');
            $this->sayOfChannel->calibrate($probe, $after, 100.0, 100.6, 'boiling water, glass thermometer', $lead);
        }
    }

    private function channel(string $machine, string $key): ?Channel
    {
        return Channel::query()->where(
            'machine_id',
            $this->machines[$machine]->id ?? null,
        )->where('key', $key)->first();
    }

    private function people(): void
    {
        foreach (self::PEOPLE as $name => [$login, $role, $password, $pin]) {
            $this->people[$name] = User::query()->create([
                'name' => $name,
                'login' => $login,
                'role' => $role,
                'password' => $password,
                'pin' => $pin,
                'preferences' => [],
                'active' => true,
            ]);
        }
    }

    private function machines(): void
    {
        $facts = [
            'Anvil' => [
                'hot_press',
                [
                    'heater_kw' => 2.2,
                    'platen_kj_k' => 14,
                    'loss_kw' => 0.5,
                    'plate_mm' => 3,
                    'max_c' => 300,
                    'bed_length_mm' => 700,
                    'bed_width_mm' => 550,
                    'amps' => 20,
                ],
            ],
            'Pond' => [
                'cold_press',
                ['platen_kj_k' => 18, 'cooling_w_k' => 12, 'coolant_c' => 18, 'start_c' => 22],
            ],
            'Little Pond' => [
                'cold_press',
                ['platen_kj_k' => 12, 'cooling_w_k' => 8, 'coolant_c' => 18, 'start_c' => 22],
            ],
            'Heron' => [
                'plunger_injector',
                [
                    'barrel_diameter_mm' => 38,
                    'barrel_length_mm' => 180,
                    'plunger_diameter_mm' => 38,
                    'lever_long_mm' => 1100,
                    'lever_short_mm' => 70,
                    'hand_force_n' => 350,
                    'zones' => 2,
                    'max_c' => 280,
                    'bolts' => 4,
                    'bolt_proof_kn' => 37,
                    'heater_w' => 900,
                    'barrel_kg' => 6,
                ],
            ],
            'Wren' => [
                'screw_injector',
                [
                    'screw_diameter_mm' => 25,
                    'barrel_length_mm' => 450,
                    'barrel_volume_cm3' => 90,
                    'throughput_cm3_min' => 60,
                    'intensification' => 10,
                    'max_specific_bar' => 1700,
                    'max_stroke_mm' => 100,
                    'max_rpm' => 220,
                    'max_speed_mm_s' => 110,
                    'zones' => 4,
                    'max_c' => 320,
                    'clamp_kn' => 250,
                    'tie_bar_width_mm' => 260,
                    'tie_bar_height_mm' => 260,
                    'least_mould_mm' => 120,
                    'most_mould_mm' => 300,
                    'daylight_mm' => 520,
                    'opening_mm' => 220,
                    'ejector_stroke_mm' => 60,
                    'circuits' => 4,
                    'heater_w' => 3600,
                    'barrel_kg' => 28,
                ],
            ],
            'Adder' => [
                'extruder',
                [
                    'throughput_kg_h' => 12,
                    'screw_diameter_mm' => 30,
                    'barrel_volume_cm3' => 260,
                    'throughput_cm3_min' => 250,
                    'zones' => 3,
                    'max_c' => 260,
                    'bath_c' => 14,
                    'tank_places' => 3,
                    'vent_kpa' => 20,
                ],
            ],
            'Bellows' => [
                'vacuum_former',
                [
                    'heater_c' => 390,
                    'heater_set' => 'dial 6, all elements',
                    'exchange' => 0.7,
                    'sides' => 1,
                    'tank_l' => 60,
                    'tank_kpa' => 6,
                    'box_l' => 28,
                    'blower_kpa' => 82,
                    'volume_l' => 60,
                    'speed_l_min' => 170,
                    'ultimate_kpa' => 2,
                    'bed_length_mm' => 560,
                    'bed_width_mm' => 480,
                ],
            ],
            'Attic' => ['dryer', []],
            'Magpie' => ['shredder', []],
        ] + $this->moulds();
        $facts['Anvil'][1] += $this->wallChart($facts['Anvil'][1], $facts['Pond'][1]);
        foreach ($facts as $name => [$kind, $what]) {
            $said = array_map(
                static fn (mixed $value): array => ['value' => $value, 'origin' => FactOrigin::Plate],
                $what,
            );
            $this->machines[$name] = $this->sayOfMachine->create(
                $name,
                $kind,
                $said,
                '',
                $this->people['Maren Okafor'],
            );
        }
    }

    /** @return array<string, array{string, array<string, float|int|string>}> */
    private function moulds(): array
    {
        return [
            'Wicket' => [
                'injection_mould',
                [
                    'make' => 'aluminium',
                    'cavities' => 2,
                    'runner_volume_cm3' => 4.5,
                    'projected_area_cm2' => 64,
                    'flow_length_mm' => 90,
                    'width_mm' => 180,
                    'height_mm' => 150,
                    'tool_height_mm' => 90,
                    'opens_mm' => 60,
                    'mass_kg' => 6.5,
                ],
            ],
            'Dormouse' => [
                'injection_mould',
                [
                    'make' => 'steel',
                    'cavities' => 4,
                    'runner_volume_cm3' => 1.2,
                    'projected_area_cm2' => 14,
                    'flow_length_mm' => 34,
                    'width_mm' => 196,
                    'height_mm' => 246,
                    'tool_height_mm' => 180,
                    'opens_mm' => 70,
                    'ejection_mm' => 30,
                    'circuits' => 2,
                    'mass_kg' => 58,
                ],
            ],
            'Sleeper' => ['bar_mould', ['moulds' => 3, 'mould_kg' => 14]],
            'Saucer' => ['forming_mould', ['side' => 'male', 'cavities' => 2, 'vent_mm' => 0.8]],
            'Bonnet' => ['forming_mould', ['side' => 'female', 'cavities' => 1, 'vent_mm' => 1.2]],
        ];
    }

    /**
     * The shop's own rule for its press, as it hangs on the wall: what physics asks of the usual 8 mm of HDPE, for each
     * millimetre, rounded up.
     *
     * @param  array<string, float|int>  $hot
     * @param  array<string, float|int>  $cold
     * @return array<string, float>
     */
    private function wallChart(array $hot, array $cold): array
    {
        $usual = 8.0;
        $cycle = $this->calculations->run('heat.press_cycle', [
            'polymer' => 'HDPE',
            'thickness_mm' => $usual,
            'initial_c' => 20,
            'platen_c' => 185,
            'length_mm' => 600,
            'width_mm' => 450,
            'press' => array_intersect_key($hot, array_flip(['heater_kw', 'platen_kj_k', 'loss_kw'])),
            'cold_press' => array_intersect_key($cold, array_flip(['platen_kj_k', 'cooling_w_k', 'coolant_c'])),
        ]);
        assert($cycle instanceof PressCycleResult);
        $perMm = static fn (float $minutes): float => ceil(10 * $minutes / $usual) / 10;

        return [
            'heat_min_per_mm' => $perMm($cycle->heat_min + $cycle->soak_min),
            'cool_min_per_mm' => $perMm($cycle->cool_min),
        ];
    }

    /** @return array<string, Product> */
    private function products(): array
    {
        $lead = $this->people['Maren Okafor'];
        $panel = Product::query()->create([
            'name' => 'hive floor panel',
            'process' => 'compression',
            'polymer' => 'HDPE',
            'dimensions' => [
                'length_mm' => 600,
                'width_mm' => 450,
                'thickness_mm' => 8,
                'thickness_tolerance_mm' => 0.9,
            ],
            'note' => 'Floor of the hive stand. Weather side up.',
        ]);
        $board = Product::query()->create([
            'name' => 'divider board',
            'process' => 'compression',
            'polymer' => 'HIPS',
            'dimensions' => [
                'length_mm' => 500,
                'width_mm' => 400,
                'thickness_mm' => 4,
                'thickness_tolerance_mm' => 0.6,
            ],
            'note' => 'Splits a box in two.',
        ]);
        // What the other machines make.
        foreach ([
            [
                'entrance reducer',
                'injection',
                'PP',
                [
                    'part_volume_cm3' => 18,
                    'thickness_mm' => 2.5,
                    'cavity_pressure_bar' => 180,
                ],
                'Two in a shot.',
                'Wicket',
            ],
            [
                'frame spacer clip',
                'injection',
                'PA6',
                [
                    'part_volume_cm3' => 1.6,
                    'thickness_mm' => 1.8,
                    'cavity_pressure_bar' => 300,
                ],
                'Dried, then conditioned.',
                'Dormouse',
            ],
            [
                'stand rail',
                'extrusion',
                'HDPE',
                ['length_mm' => 1100, 'width_mm' => 60, 'height_mm' => 40],
                'Into a closed mould.',
                'Sleeper',
            ],
            [
                'edging strip',
                'extrusion',
                'PP',
                ['length_mm' => 2000, 'width_mm' => 30, 'height_mm' => 3],
                'Free profile.',
                null,
            ],
            [
                'syrup feeder tray',
                'vacuum_forming',
                'HIPS',
                [
                    'length_mm' => 292,
                    'width_mm' => 182,
                    'depth_mm' => 38,
                    'draft_deg' => 3,
                    'sheet_mm' => 1.5,
                    'corner_radius_mm' => 8,
                    'least_wall_mm' => 0.5,
                ],
                'Clips over the brood box.',
                'Saucer',
            ],
            [
                'travel lid',
                'vacuum_forming',
                'ABS',
                [
                    'length_mm' => 470,
                    'width_mm' => 410,
                    'depth_mm' => 60,
                    'draft_deg' => 5,
                    'sheet_mm' => 3,
                ],
                'Closed for the road.',
                'Bonnet',
            ],
        ] as [$name, $process, $polymer, $dimensions, $note, $mould]) {
            $this->keepProduct->create([
                'name' => $name,
                'process' => $process,
                'polymer' => $polymer,
                'dimensions' => $dimensions,
                'note' => $note,
                'mould_id' => $mould === null ? null : $this->machines[$mould]->id,
            ]);
        }
        $recipes = [
            [
                $panel,
                [
                    'platen_c' => 185,
                    'allowance_pct' => 5,
                    'frame_depth_mm' => 40,
                    'shop_kg_per_mm' => 0.27,
                    'soak_min' => 3,
                    'pump_every_min' => 3,
                    'heat_rule' => 'physics',
                    'pump_school' => 'every_minutes',
                ],
            ],
            [
                $board,
                [
                    'platen_c' => 180,
                    'allowance_pct' => 6,
                    'frame_depth_mm' => 25,
                    'soak_min' => 2,
                    'pump_every_min' => 3,
                    'heat_rule' => 'shop_rule',
                    'pump_school' => 'every_minutes',
                ],
            ],
        ];
        foreach ($recipes as [$product, $settings]) {
            Recipe::query()->create([
                'product_id' => $product->id,
                'machine_id' => $this->machines['Anvil']->id,
                'version' => 1,
                'settings' => $settings,
                'note' => 'from the wall chart',
                'by_id' => $lead->id,
                'created_at' => CarbonImmutable::now()->subDays(95),
            ]);
        }

        return [$panel->name => $panel, $board->name => $board];
    }

    private function material(CarbonImmutable $at): void
    {
        $sources = [];
        foreach ([['Market co-op', 'accepted', 'Crates and bottle tops, washed.'], [
            'Garden nursery',
            'accepted',
            'Pots and trays. Earth in the corners.',
        ],
            [
                'Sign shop offcuts',
                'small_trial_passed',
                'Sheet offcuts with film. Full-size trial comes next.',
            ], ['Own regrind', 'accepted', 'Edges and scrap of our own.']] as [$name, $state, $note]) {
            $sources[$name] = Source::query()->create(['name' => $name, 'state' => $state, 'note' => $note]);
        }
        $lots = [
            ['L-0101', 'Market co-op', 'HDPE', 'flake', 'leaf green', '#4f8a3c', 'Rack A1', 96000],
            ['L-0102', 'Garden nursery', 'HDPE', 'flake', 'black', '#2b2b2b', 'Rack A2', 54000],
            ['L-0103', 'Own regrind', 'HDPE', 'regrind', 'mixed green', '#6b8f5a', 'Rack A3', 8200],
            ['L-0104', 'Garden nursery', 'HIPS', 'flake', 'terracotta', '#b5603c', 'Rack B1', 38000],
            ['L-0105', 'Sign shop offcuts', 'HIPS', 'flake', 'white', '#f1efe8', 'Rack B2', 12500],
            ['L-0106', 'Garden nursery', 'PP', 'flake', 'grey', '#8b8f92', 'Rack C1', 21000],
            ['L-0107', 'Market co-op', 'UNKNOWN', 'flake', 'mixed', '#a39b8a', 'Cold bay 1', 3400],
            ['L-0108', 'Sign shop offcuts', 'PVC-U', 'offcut', 'white', '#e9ecee', 'Cold bay 2', 6100],
            ['L-0109', 'Market co-op', 'PA6', 'pellet', 'natural', '#e8e2cf', 'Rack D1', 10000],
            // What the other machines have lived on since summer.
            ['L-0091', 'Market co-op', 'PP', 'flake', 'bark brown', '#6f4e37', 'Rack C3', 26000],
            ['L-0092', 'Market co-op', 'HDPE', 'flake', 'slate', '#4a5560', 'Rack A6', 420000],
            ['L-0093', 'Market co-op', 'HIPS', 'sheet', 'amber', '#d9a441', 'Sheet rack 3', 62000],
            ['L-0094', 'Market co-op', 'ABS', 'sheet', 'moss', '#5f7350', 'Sheet rack 4', 84000],
            ['L-0095', 'Market co-op', 'PA6', 'pellet', 'natural', '#e8e2cf', 'Rack D2', 9000],
        ];
        foreach ($lots as [$code, $source, $polymer, $form, $colour, $swatch, $place, $mass]) {
            $lot = Lot::query()->create([
                'code' => $code,
                'source_id' => ($sources[$source] ?? throw new LogicException($source))->id,
                'polymer' => $polymer,
                'form' => $form,
                'colour' => $colour,
                'swatch' => $swatch,
                'location' => $place,
                'dry_state' => 'unknown',
                'sheet' => self::SHEETS[$code] ?? null,
            ]);
            LotMovement::query()->create([
                'lot_id' => $lot->id,
                'mass_g' => $mass,
                'kind' => MovementKind::Delivered,
                'reason' => 'delivery, weighed',
                'by_id' => $this->people['Ines Halloran']->id,
                'at' => $at,
            ]);
            $this->lots[$code] = $lot;
        }
    }

    /**
     * What stands about this morning: mixes, a sorted tub, PA6 in the dryer, a charge at the scale, the sources'
     * stories.
     */
    private function today(CarbonImmutable $now): void
    {
        $ines = $this->people['Ines Halloran'];
        foreach ([
            [
                'meadow',
                'HDPE',
                [
                    ['leaf green', '#4f8a3c', 12, 'colour'],
                    ['black', '#2b2b2b', 5, 'colour'],
                    ['mixed green', '#6b8f5a', 3, 'regrind'],
                ],
                'For floors: dark enough to hide pollen.',
            ],
            [
                'dusk',
                'HIPS',
                [['terracotta', '#b5603c', 7, 'colour'], ['white', '#f1efe8', 2, 'colour']],
                'Divider boards for the market.',
            ],
        ] as [$name, $polymer, $parts, $note]) {
            ($this->keepMix)(
                [
                    'name' => $name,
                    'polymer' => $polymer,
                    'after_version' => 0,
                    'note' => $note,
                    'components' => array_map(
                        static fn (array $p): array => [
                            'name' => $p[0],
                            'swatch' => $p[1],
                            'parts' => $p[2],
                            'kind' => $p[3],
                        ],
                        $parts,
                    ),
                ],
                $this->people['Maren Okafor']->id,
            );
        }
        $this->tub($now->subHours(3), $ines);
        $this->sheets($ines);
        foreach ([[
            'Market co-op',
            Trust::SmallTrialPassed,
            80,
            182.0,
            'Small tile, clean, a little fish smell.',
        ],
            ['Market co-op', Trust::FullTrialPassed, 76, 185.0, 'Full panel, no bubbles on the cut.'],
            ['Market co-op', Trust::Accepted, 75, null, ''],
            ['Market co-op', Trust::DeliveryGood, 21, null, 'Two sacks looked through.'],
            [
                'Sign shop offcuts',
                Trust::SmallTrialPassed,
                12,
                178.0,
                'Film must come off first: it chars.',
            ]] as [$source, $kind, $days, $worked, $note]) {
            $act = Act::query()->create([
                'id' => Uuid::uuid7()->toString(),
                'kind' => ActKind::Trust,
                'reason' => $note,
                'data' => [],
                'by_id' => $this->people['Maren Okafor']->id,
                'at' => $now->subDays($days),
            ]);
            $of = Source::query()->where('name', $source)->firstOrFail();
            SourceEvent::query()->create(['act_id' => $act->id, 'source_id' => $of->id, 'kind' => $kind->value, 'state' => match ($kind) {
                Trust::DeliveryGood, Trust::Accepted => 'accepted', default => $kind->value,
            }, 'worked_at_c' => $worked, 'note' => $note, 'by_id' => $act->by_id, 'at' => $act->at]);
        }
        $pa6 = $this->lots['L-0109'];
        $plan = $this->calculations->run(
            'dry.plan',
            ['polymer' => 'PA6', 'start' => $now->subMinutes(95)->toIso8601String()],
        );
        assert($plan instanceof PlanResult);
        Drying::query()->create([
            'id' => Uuid::uuid7()->toString(),
            'machine_id' => $this->machines['Attic']->id,
            'lot_id' => $pa6->id,
            'air_c' => $plan->air_c,
            'hours' => $plan->hours,
            'started_at' => $now->subMinutes(95),
            'ready_at' => $now->subMinutes(95)->addSeconds((int) (3600 * $plan->hours)),
            'by_id' => $this->people['Jun Asare']->id,
        ]);
    }

    /** Stock sheets for the former, bought from the market co-op. */
    private function sheets(User $by): void
    {
        $source = Source::query()->where('name', 'Market co-op')->firstOrFail();
        foreach ([
            ['HIPS', 'white', '#f1efe8', 'Sheet rack 1', 1.5, 38000],
            ['ABS', 'slate', '#5f6b73', 'Sheet rack 2', 3.0, 29000],
        ] as [$polymer, $colour, $swatch, $location, $thickness, $mass]) {
            ($this->deliver)(Uuid::uuid7()->toString(), $by, $source, [
                'polymer' => $polymer,
                'form' => 'sheet',
                'colour' => $colour,
                'swatch' => $swatch,
                'location' => $location,
                'sheet' => ['length_mm' => 1220, 'width_mm' => 610, 'thickness_mm' => $thickness],
            ], $mass);
        }
    }

    private function tub(CarbonImmutable $at, User $by): void
    {
        $sorting = Sorting::query()->create([
            'id' => Uuid::uuid7()->toString(),
            'source_id' => Source::query()->where('name', 'Market co-op')->value('id'),
            'about' => 'bottle tops, mixed',
            'in_g' => 6400,
            'scale_g' => 5,
            'status' => SortingState::Open,
            'by_id' => $by->id,
            'started_at' => $at,
        ]);
        foreach ([
            [1, 'HDPE', 'blue', '#2f5f9e', 'Rack A4', 410, 1655],
            [2, 'HDPE', 'white', '#f4f2ec', 'Rack A5', 655, 2620],
            [3, 'PP', 'red', '#b3382c', 'Rack C2', 540, 1720],
            [4, null, 'waste', '#9aa0a2', '', 0, 395],
        ] as [$place, $polymer, $colour, $swatch, $location, $pieces, $mass]) {
            $bin = SortingBin::query()->create([
                'sorting_id' => $sorting->id,
                'place' => $place,
                'polymer' => $polymer,
                'colour' => $colour,
                'swatch' => $swatch,
                'location' => $location,
            ]);
            SortingEntry::query()->create([
                'id' => Uuid::uuid7()->toString(),
                'sorting_id' => $sorting->id,
                'bin_id' => $bin->id,
                'pieces' => $pieces,
                'mass_g' => $mass,
                'by_id' => $by->id,
                'at' => $at->addMinutes(20 * $place),
            ]);
        }
        ($this->closeSorting)(Uuid::uuid7()->toString(), $by, $sorting, '');
    }

    /**
     * Three months of work: sheets by the press's own simulation, shots, bars and formed parts by the plants of their
     * processes, in the order in which they were begun.
     *
     * @param  array<string, Product>  $products
     */
    private function history(array $products, CarbonImmutable $now): void
    {
        $work = $this->pressed($products, $now) + $this->worked($now);
        ksort($work);
        foreach ($work as $run) {
            $run();
        }
    }

    /**
     * @param  array<string, Product>  $products
     * @return array<int, Closure(): Run> by the second at which it was begun
     */
    private function pressed(array $products, CarbonImmutable $now): array
    {
        $work = [];
        $day = $now->subDays(91)->startOfDay();
        for ($made = 0; $made < self::RUNS && $day < $now->subDay()->startOfDay(); $day = $day->addDays(
            $day->dayOfWeekIso === 4 ? 4 : 3,
        )) {
            // The panel was timed by the wall chart until week four; the press was shimmed in week six.
            $week = (int) ceil(abs($day->diffInDays($now->subDays(91))) / 7);
            foreach ([8.2, 10.0, 13.1] as $slot => $hour) {
                if ($made >= self::RUNS || $slot > ($made % 5 < 3 ? 1 : 0)) {
                    continue;
                }
                $panel = $made % 5 !== 3;
                $product = $products[$panel ? 'hive floor panel' : 'divider board'];
                $lot = $this->lots[$panel ? ($made % 4 === 2 ? 'L-0102' : 'L-0101') : 'L-0104'];
                $rule = $panel ? ($week <= 4 && $made % 3 === 0 ? 'shop_rule' : 'physics') : 'shop_rule';
                // Since week seven boards are pressed one after another, so that both presses work.
                $settings = match (true) {
                    $panel && $week >= 3 && $week <= 5 => ['platen_c' => 172.0, 'soak_min' => 1.0],
                    ! $panel && $week >= 7 => ['sheets' => 3.0],
                    default => [],
                };
                $habits = new PressHabits(
                    gaugeOffsetK: $week <= 5 ? -6.0 : -1.0, tiltXMmPerM: $week <= 6 ? 1.25 : 0.15, tiltYMmPerM: -0.2,
                    bowMm: $made % 7 === 4 ? -0.45 : -0.12,
                );
                $at = $day->setTime(0, 0)->addMinutes((int) (60 * $hour) + $made % 17);
                $seed = 700 + $made;
                $cold = $made % 2 === 0 ? 'Pond' : 'Little Pond';
                $work[$at->getTimestamp()] = fn (): Run => $this->press(
                    $product,
                    $lot,
                    $cold,
                    $at,
                    $settings,
                    ['heat_rule' => $rule],
                    $habits,
                    $seed,
                    null,
                    $made % 6 === 5 ? 210.0 : 90.0,
                );
                $made++;
            }
        }

        return $work;
    }

    /** @return array<int, Closure(): Run> by the second at which it was begun */
    private function worked(CarbonImmutable $now): array
    {
        $work = [];
        // What is made, on what, from which lot, on which days of the week, from when on, how many at once.
        foreach ([
            ['entrance reducer', 'Heron', 'L-0091', [1, 2, 4], 9.4, 6, ['melt_c' => [200, 235], 'mould_c' => [28, 52]]],
            ['stand rail', 'Adder', 'L-0092', [3, 5], 7.6, 3, ['melt_c' => [180, 205]]],
            ['syrup feeder tray', 'Bellows', 'L-0093', [2, 4], 10.6, 4, ['heat_factor' => [0.93, 1.08]]],
            ['travel lid', 'Bellows', 'L-0094', [5], 13.3, 3, ['heat_factor' => [0.95, 1.06]]],
            ['frame spacer clip', 'Wren', 'L-0095', [4], 7.9, 6, ['melt_c' => [245, 265], 'mould_c' => [65, 90]]],
        ] as $i => [$product, $machine, $lot, $days, $hour, $pieces, $moved]) {
            for ($day = $now->subDays(91)->startOfDay(); $day < $now->subDay()->startOfDay(); $day = $day->addDay()) {
                if (! in_array($day->dayOfWeekIso, $days, true)) {
                    continue;
                }
                $seed = 1000 * ($i + 2) + count($work);
                $at = $day->addMinutes((int) (60 * $hour) + $seed % 23)->addSeconds($i);
                // People try a little of everything around what is usual.
                $tries = new Dice($seed + 5);
                $settings = array_map(
                    static fn (array $of): float => round($tries->between($of[0], $of[1]), $of[1] > 10 ? 0 : 2),
                    $moved,
                );
                $work[$at->getTimestamp()] = fn (): Run => $this->shift(
                    $product,
                    $machine,
                    $lot,
                    $at,
                    $pieces,
                    $seed,
                    $settings,
                );
            }
        }

        return $work;
    }

    /**
     * A run worked to its end by the plant of its process. What takes up water was dried overnight.
     *
     * @param  array<string, float>  $settings
     */
    private function shift(
        string $product,
        string $machine,
        string $lot,
        CarbonImmutable $at,
        int $pieces,
        int $seed,
        array $settings,
    ): Run {
        $made = Product::query()->where('name', $product)->firstOrFail();
        $process = $this->processes->get($made->process);
        $mould = Machine::query()->whereKey($made->mould_id)->first();
        $role = $mould === null ? null : $process->hangs($mould->kind);
        $stock = Lot::query()->withHeld()->with('source')->findOrFail($this->lots[$lot]->id);
        if ($this->polymers->get($stock->polymer)->mustBeDried()) {
            $stock->update(['dried_at' => $at->subMinutes(20), 'hopper' => 'closed']);
        }
        $order = new Order(
            $process,
            $made,
            [
                $process->main()->id => $this->machines[$machine]->refresh(),
            ] + ($role === null ? [] : [$role->id => $mould]),
            settings: $settings,
            lots: [$stock],
            answers: [
                'people_protected' => true,
                'air_moving' => true,
                'guard_closed' => true,
                'nozzle_seated' => true,
                'pressure_relieved' => true,
                'lifting_gear' => true,
            ],
        );
        // Whether it was dry is asked of that day.
        $answer = CarbonImmutable::withTestNow($at, fn (): PlanData => ($this->plan)($order));
        $starter = $this->people[$seed % 3 === 0 ? 'Maren Okafor' : 'Jun Asare'];
        $helper = $this->people[$seed % 2 === 0 ? 'Ines Halloran' : 'Teodor Blum'];
        $day = new Dice($seed);
        $plant = $process->plant(
            $order->job(),
            $answer->plan,
            $this->polymers->get($answer->polymer),
            new Dice(crc32($machine)),
            $day,
        ) ?? throw new LogicException("{$machine} has no plant");
        $draft = new Run(['plan' => (array) $answer->plan->targets]);
        $draft->setRelation('procedureVersion', ProcedureVersion::inForce($process));
        $simulated = (new Shift(
            $draft->machineOfState(),
            $plant,
            $day,
            [$starter->name, $helper->name],
            "demo-{$seed}",
        ))
            ->run((float) $at->getTimestamp(), $pieces);
        $id = Uuid::uuid5(Uuid::NAMESPACE_URL, "demo-{$seed}-{$at->timestamp}")->toString();
        $run = ($this->start)($id, $starter, $order, $answer, [], $at);
        $this->tell($run, $simulated->events, [$starter->name => $starter, $helper->name => $helper]);
        // Its machines got their instruments in the last weeks.
        if ($at->isAfter(CarbonImmutable::now()->subDays(self::INSTRUMENTS_DAYS))) {
            $this->readings($simulated->readings, [$process->main()->id => $this->machines[$machine]]);
        }

        return $run;
    }

    /**
     * @param  list<Event>  $events
     * @param  array<string, User>  $by  by name
     */
    private function tell(Run $run, array $events, array $by, float $shift = 0.0): void
    {
        $told = array_filter($events, static fn (Event $e): bool => $e->type !== EventType::Started);
        $outcome = ($this->record)($run, array_values(array_map(static fn (Event $e): array => [
            'event' => new Event($e->key, $e->type, $e->at + $shift, $e->by, $e->data),
            'by' => $by[$e->by],
        ], $told)));
        if ($outcome['refused'] !== []) {
            throw new LogicException('the demo run was refused: '.$outcome['refused'][0]['error']->getMessage());
        }
    }

    /** One board in the cold press as the shop opens, so that something waits. */
    private function oneCooling(Product $board, CarbonImmutable $now): void
    {
        $this->press(
            $board,
            $this->lots['L-0104'],
            'Little Pond',
            $now->subMinutes(70),
            [],
            ['heat_rule' => 'shop_rule'],
            new PressHabits,
            4242,
            'pressure_on',
        );
    }

    /**
     * @param  array<string, float>  $settings
     * @param  array<string, string>  $choices
     */
    private function press(
        Product $product,
        Lot $lot,
        string $cold,
        CarbonImmutable $at,
        array $settings,
        array $choices,
        PressHabits $habits,
        int $seed,
        ?string $until,
        float $lateS = 90.0,
    ): Run {
        $anvil = $this->machines['Anvil'];
        $pond = $this->machines[$cold];
        $recipe = Recipe::query()->where('product_id', $product->id)->orderByDesc('version')->first();
        $stock = Lot::query()->withHeld()->with('source')->findOrFail($lot->id);
        $order = new Order(
            $this->processes->get($product->process),
            $product,
            ['hot' => $anvil->refresh(), 'cold' => $pond],
            $recipe,
            $settings,
            $choices,
            [$stock],
            answers: ['people_protected' => true, 'air_moving' => true],
        );
        $answer = ($this->plan)($order);
        $starter = $this->people[$seed % 3 === 0 ? 'Ines Halloran' : 'Teodor Blum'];
        $helper = $this->people[$seed % 2 === 0 ? 'Jun Asare' : 'Maren Okafor'];
        $id = Uuid::uuid5(Uuid::NAMESPACE_URL, "demo-{$seed}-{$at->timestamp}")->toString();
        assert($order->process instanceof Pressing);
        $draft = new Run(['plan' => (array) $answer->plan->targets]);
        $draft->setRelation('procedureVersion', ProcedureVersion::inForce($order->process, $answer->plan));
        $day = new Dice($seed);
        $plant = $order->process->pressOf(
            $order->job(),
            $answer->plan,
            $this->polymers->get($answer->polymer),
            $day,
            $habits,
        );
        $people = [$starter->name, $helper->name];
        $simulated = (new Shift($draft->machineOfState(), $plant, $day, $people, "press-{$seed}", [0.25, $lateS]))
            ->run((float) $at->timestamp, (int) ($settings['sheets'] ?? 1));
        $events = array_values(array_filter(
            $simulated->events,
            static fn (Event $e): bool => $e->type !== EventType::Started,
        ));
        $shift = 0.0;
        if ($until !== null) {
            $cut = 0;
            foreach ($events as $i => $event) {
                if ($event->type === EventType::StepDone && $event->text('step') === $until) {
                    $cut = $i;
                }
            }
            $events = array_slice($events, 0, $cut + 1);
            // Pressure came back on a little while ago; the rest of the cooling is still to come.
            $shift = (float) CarbonImmutable::now()->format('U') - 60 * 6 - $events[$cut]->at;
        }
        $started = $at->addMilliseconds((int) round(1000 * $shift));
        $run = ($this->start)($id, $starter, $order, $answer, [], $started);
        $this->tell($run, $events, [$starter->name => $starter, $helper->name => $helper], $shift);
        $this->readings($simulated->readings, ['hot' => $anvil, 'cold' => $pond], $shift);

        return $run->refresh();
    }

    /**
     * @param  list<array{at: float, place: string, channel: string, value: float}>  $readings
     * @param  array<string, Machine>  $machines  by place
     */
    private function readings(array $readings, array $machines, float $shift = 0.0): void
    {
        $rows = [];
        foreach ($readings as $r) {
            $at = $r['at'] + $shift;
            if ($at <= microtime(true)) {
                $rows[] = [
                    'at' => Seconds::moment($at)->format('Y-m-d H:i:s.vP'),
                    'machine_id' => $machines[$r['place']]->id,
                    'channel' => $r['channel'],
                    'value' => $r['value'],
                ];
            }
        }
        foreach (array_chunk($rows, 5000) as $chunk) {
            $this->take->keep($chunk);
        }
    }
}
