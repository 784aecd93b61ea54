<?php

declare(strict_types=1);

use App\Material\Models\Lot;
use App\Material\Models\Source;
use App\Runs\Models\Run;
use App\Shop\Models\Machine;
use App\Shop\Models\Product;
use App\Support\Contract;
use Illuminate\Support\Facades\DB;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** Requests made of the contract itself: mostly what it asks for, with something wrong in it. */
final class Asker
{
    private const RUBBISH = [
        null,
        true,
        -1,
        0,
        1e300,
        -1e-9,
        9223372036854775807,
        '99999999999999999999',
        '',
        ' ',
        "a\0b",
        "\xff\xfe",
        '=1+1',
        '2,1 kg',
        '../../etc/passwd',
        "'; drop table lots; --",
        [],
        [[]],
        ['a' => ['b' => 'c']],
        'NaN',
        '1e999',
        'ﷺ𝄞',
        '0190b0e0-0000-7000-8000-000000000000',
    ];

    private readonly Randomizer $dice;

    /** @var list<array{string, string, array<string, mixed>}> */
    private array $operations = [];

    /** @param  array<string, list<int|string>>  $known  by the name of a path parameter or field */
    public function __construct(private readonly array $contract, private readonly array $known, int $seed)
    {
        $this->dice = new Randomizer(new Mt19937($seed));
        foreach ($contract['paths'] as $path => $methods) {
            foreach ($methods as $method => $operation) {
                $this->operations[] = [$method, $path, $operation];
            }
        }
    }

    /** @return array{string, string, mixed} method, address, body */
    public function next(): array
    {
        [$method, $path, $operation] = $this->pick($this->operations);
        $query = [];
        foreach ($operation['parameters'] ?? [] as $parameter) {
            $value = $this->odd(5)
                ? $this->pick(self::RUBBISH)
                : $this->value($parameter['schema'] ?? [], $parameter['name'], 0);
            if ($parameter['in'] === 'path') {
                $path = str_replace(
                    '{'.$parameter['name'].'}',
                    rawurlencode(is_scalar($value) ? (string) $value : 'x'),
                    $path,
                );
            } elseif ($this->odd(2)) {
                $query[$parameter['name']] = $value;
            }
        }
        $schema = $operation['requestBody']['content']['application/json']['schema'] ?? null;
        $body = $schema === null ? [] : $this->value($schema, '', 0);

        return [
            strtoupper($method),
            '/api/v1'.$path.($query === [] ? '' : '?'.http_build_query($query)),
            $this->odd(20) ? $this->pick(self::RUBBISH) : $body,
        ];
    }

    private function value(array $schema, string $name, int $depth): mixed
    {
        if ($this->odd(9) || $depth > 6) {
            return $this->pick(self::RUBBISH);
        }
        if (isset($schema['$ref'])) {
            return $this->value(
                $this->contract['components']['schemas'][basename($schema['$ref'])] ?? [],
                $name,
                $depth + 1,
            );
        }
        foreach (['anyOf', 'oneOf'] as $choice) {
            if (isset($schema[$choice])) {
                return $this->value($this->pick($schema[$choice]), $name, $depth + 1);
            }
        }
        if (isset($schema['allOf'])) {
            return array_merge(...array_map(
                fn (array $s): array => (array) $this->value($s, $name, $depth + 1),
                $schema['allOf'],
            ));
        }
        if (isset($schema['enum'])) {
            return $this->pick($schema['enum']);
        }
        if (isset($this->known[$name]) && ! $this->odd(4)) {
            return $this->pick($this->known[$name]);
        }
        $type = is_array($schema['type'] ?? null) ? $this->pick($schema['type']) : $schema['type'] ?? 'string';

        return match ($type) {
            'object' => $this->fields($schema, $depth),
            'array' => array_map(
                fn (): mixed => $this->value($schema['items'] ?? [], $name, $depth + 1),
                range(1, $this->dice->getInt(1, 3)),
            ),
            'integer' => $this->dice->getInt(-2, 40),
            'number' => round($this->dice->getInt(-1_000_000, 1_000_000) / 1e6 * 10 ** $this->dice->getInt(-3, 4), 3),
            'boolean' => $this->odd(2),
            'null' => null,
            default => ($schema['format'] ?? '') === 'uuid'
                ? fake_uuid()
                : $this->pick(['HDPE', 'PP', 'green', 'words of some kind', 'flake', 'L-0101', 'Anvil', '0,6 kg']),
        };
    }

    private function fields(array $schema, int $depth): array
    {
        $fields = [];
        foreach ($schema['properties'] ?? [] as $name => $of) {
            if (in_array($name, $schema['required'] ?? [], true) ? ! $this->odd(12) : $this->odd(2)) {
                $fields[$name] = $this->value($of, (string) $name, $depth + 1);
            }
        }

        return $fields;
    }

    private function odd(int $in): bool
    {
        return $this->dice->getInt(1, $in) === 1;
    }

    private function pick(array $of): mixed
    {
        return $of === [] ? null : array_values($of)[$this->dice->getInt(0, count($of) - 1)];
    }
}

it('answers whatever it is asked, and never with a fault of its own', function (): void {
    $many = (int) (getenv('DITHERMIC_RANDOM') ?: 1000);
    $seed = (int) (getenv('DITHERMIC_SEED') ?: random_int(1, 999_999));
    $this->signedIn('maren');
    $known = [
        'lot' => Lot::query()->limit(8)->pluck('id')->all(),
        'lot_id' => Lot::query()->limit(8)->pluck('id')->all(),
        'product' => Product::query()->pluck('id')->all(),
        'product_id' => Product::query()->pluck('id')->all(),
        'machine_id' => Machine::query()->pluck('id')->all(),
        'source' => Source::query()->pluck('id')->all(),
        'source_id' => Source::query()->pluck('id')->all(),
        'run' => [(string) Run::query()->value('id')],
        'machine' => ['Anvil'], 'polymer' => ['HDPE', 'PP', 'UNKNOWN', 'PVC'], 'code' => ['HDPE', 'PP'],
    ];
    $asker = new Asker((array) json_decode((string) json_encode((new Contract)->build()), true), $known, $seed);
    $faults = [];
    $answers = [];
    // What never ends is a fault like any other, and is named like one: a handler that throws makes a 500 of it.
    pcntl_async_signals(true);
    pcntl_signal(SIGALRM, static fn () => throw new RuntimeException('not answered within 20 s'));
    for ($i = 0; $i < $many; $i++) {
        [$method, $address, $body] = $asker->next();
        pcntl_alarm(20);
        try {
            $answer = $this->call(
                $method,
                $address,
                [],
                [],
                [],
                $this->transformHeadersToServerVars([
                    'Accept' => 'application/json',
                    'Content-Type' => 'application/json',
                    'Origin' => (string) config('app.url'),
                ]),
                (string) json_encode($body, JSON_PARTIAL_OUTPUT_ON_ERROR | JSON_INVALID_UTF8_SUBSTITUTE),
            );
        } finally {
            pcntl_alarm(0);
            // What one does, the next does not see.
            while (DB::transactionLevel() > 0) {
                DB::rollBack();
            }
            DB::beginTransaction();
        }
        $answers[$answer->status()] = ($answers[$answer->status()] ?? 0) + 1;
        if ($answer->status() >= 500 && count($faults) < 10) {
            $faults[] = sprintf(
                '%s %s %s: %d %s',
                $method,
                $address,
                mb_substr((string) json_encode($body, JSON_PARTIAL_OUTPUT_ON_ERROR), 0, 300),
                $answer->status(),
                mb_substr((string) $answer->exception?->getMessage(), 0, 200),
            );
        }
        if (in_array($method, ['DELETE', 'PUT'], true) || str_contains($address, 'session')) {
            $this->signedIn('maren');
        }
        Illuminate\Support\Facades\Cache::flush();
    }
    expect($faults)->toBe([], "seed {$seed}")
        ->and($answers[200] ?? 0)
        ->toBeGreaterThan($many / 50)
        ->and($answers[422] ?? 0)
        ->toBeGreaterThan($many / 10);
});
