<?php

declare(strict_types=1);

use App\Material\Models\Lot;
use App\People\Models\User;
use App\Shop\Models\Machine;
use App\Shop\Models\Product;
use App\Support\ShopClock;
use Illuminate\Foundation\Testing\DatabaseTransactions;
use Tests\TestCase;

require_once __DIR__.'/../core/tests/calculate.php';

// Each test runs inside a transaction on a shop that was seeded once, in a database of its own.
uses(TestCase::class, DatabaseTransactions::class)->in('Feature');

function person(string $login = 'ines'): User
{
    return User::query()->where('login', $login)->firstOrFail();
}

/** @return array<string, mixed> a panel on Anvil, ready to start */
function panel(array $over = []): array
{
    return array_replace_recursive([
        'id' => fake_uuid(), 'product_id' => Product::query()->where('name', 'hive floor panel')->value('id'),
        'machines' => ['hot' => machineNamed('Anvil'), 'cold' => machineNamed('Pond')],
        'lot_id' => lot('L-0101')->id,
        'confirmed_by' => person(TestCase::$who)->id,
        'answers' => ['people_protected' => true, 'air_moving' => true],
    ], $over);
}

function machineNamed(string $name): int
{
    return (int) Machine::query()->where('name', $name)->value('id');
}

/** Starts a panel as whoever is signed in, or as Ines. */
function startRun(array $over = []): Illuminate\Testing\TestResponse
{
    $case = test();
    assert($case instanceof TestCase);

    return $case->signedIn(TestCase::$who)->postJson('/api/v1/runs', panel($over))->assertCreated();
}

function lot(string $code): Lot
{
    return Lot::query()->withHeld()->where('code', $code)->firstOrFail();
}

/** Seconds since 1970 as the shop counts them: this machine's wall clock may be set while the tests run. */
function shopNow(): float
{
    return app(ShopClock::class)->now();
}

function fake_uuid(): string
{
    return Illuminate\Support\Str::uuid()->toString();
}

/** @return array{key: string, type: string, at: float, data: array<string, mixed>} */
function entry(string $type, array $data, ?string $key = null, ?float $at = null): array
{
    return ['key' => $key ?? fake_uuid(), 'type' => $type, 'at' => $at ?? shopNow(), 'data' => $data];
}
