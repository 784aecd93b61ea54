<?php

declare(strict_types=1);

use App\Shop\Models\PolymerOverride;
use Dithermic\Core\Calculator\Registry;
use Illuminate\Support\Str;

it('answers every named calculation over HTTP with the exact field names of the core', function (): void {
    $this->signedIn()->getJson('/api/v1/calc')->assertOk()->assertJsonCount(count((new Registry)->list()), 'items');
    foreach ([
        'charge.sheet',
        'charge.sheet_schools',
        'charge.sheet_thickness',
        'heat.press_cycle',
        'quality.porosity',
    ] as $name) {
        $case = json_decode((string) file_get_contents(base_path("core/tests/cases/{$name}.json")), true)[0];
        $this->postJson("/api/v1/calc/{$name}", $case['input'])->assertOk()->assertJsonStructure(array_unique(array_map(
            static fn (string $p): string => explode('.', $p)[0],
            array_keys($case['expect']),
        )));
        $this->getJson("/api/v1/calc/{$name}")->assertOk()->assertJsonStructure(['name', 'purpose', 'input', 'result']);
    }
});

it('refuses bad input with the field and the reason', function (): void {
    $this->signedIn();
    $this->postJson(
        '/api/v1/calc/charge.sheet',
        ['length_mm' => -1, 'width_mm' => 1, 'thickness_mm' => 1, 'density_g_cm3' => 1],
    )
        ->assertStatus(422)
        ->assertJsonPath('error.field', 'length_mm')
        ->assertJsonPath('error.message', 'must be above 0 mm');
    $this->call(
        'POST',
        '/api/v1/calc/charge.sheet',
        server: [
            'CONTENT_TYPE' => 'application/json',
            'HTTP_ACCEPT' => 'application/json',
            'HTTP_ORIGIN' => (string) config('app.url'),
        ],
        content: '{broken',
    )->assertStatus(422);
    $this->postJson('/api/v1/calc/no.such', [])->assertStatus(404);
});

it('reckons with the shop\'s own values once a lead has set them', function (): void {
    $this->signedIn('ines')->postJson(
        '/api/v1/polymers/HDPE/overrides',
        ['path' => 'density_solid_g_cm3.typical', 'value' => 0.96, 'reason' => 'measured'],
    )->assertStatus(403);
    $this->signedIn('maren')->postJson(
        '/api/v1/polymers/HDPE/overrides',
        ['path' => 'density_solid_g_cm3.typical', 'value' => 9, 'reason' => 'measured'],
    )->assertStatus(422)->assertJsonPath('error.field', 'value');
    $this->postJson(
        '/api/v1/polymers/HDPE/overrides',
        ['path' => 'name', 'value' => 1, 'reason' => 'x'],
    )->assertStatus(422);
    $this->postJson(
        '/api/v1/polymers/HDPE/overrides',
        ['path' => 'density_solid_g_cm3.typical', 'value' => 0.96, 'reason' => 'measured on ten pieces'],
    )->assertCreated();
    app()->forgetScopedInstances();
    $this->postJson(
        '/api/v1/calc/charge.sheet',
        ['length_mm' => 100, 'width_mm' => 100, 'thickness_mm' => 10, 'polymer' => 'HDPE', 'allowance_pct' => 0],
    )->assertOk()->assertJsonPath('net_mass_g', 96.0);
    expect(
        static fn () => PolymerOverride::query()->first()?->update(['value' => 1]),
    )->toThrow(Illuminate\Database\QueryException::class);
});

it('publishes one contract that holds every path and every calculation', function (): void {
    $contract = $this->signedIn()->getJson('/api/v1/openapi.json')->assertOk()->json();
    foreach (app('router')->getRoutes() as $route) {
        $path = '/'.str_replace('api/v1/', '', $route->uri());
        if (
            str_starts_with($route->uri(), 'api/v1/')
            && ! str_contains($path, 'calc/{name}')
            && $path !== '/openapi.json'
        ) {
            expect($contract['paths'])->toHaveKey($path);
        }
    }
    foreach (array_keys((new Registry)->list()) as $name) {
        expect($contract['paths'])->toHaveKey("/calc/{$name}");
    }
});

it('says a polymer\'s properties once in the contract, and loses no field of any input by it', function (): void {
    $schemas = $this->signedIn()->getJson('/api/v1/openapi.json')->assertOk()->json('components.schemas');
    $registry = new Registry;
    $sharing = 0;
    foreach (array_keys($registry->list()) as $name) {
        $said = $schemas[Str::studly(str_replace('.', '_', $name)).'Input'];
        $fields = array_keys((array) ($said['properties'] ?? []));
        foreach ($said['allOf'] ?? [] as $part) {
            $sharing += isset($part['$ref']) ? 1 : 0;
            $part = isset($part['$ref']) ? $schemas[basename($part['$ref'])] : $part;
            $fields = [...$fields, ...array_keys((array) $part['properties'])];
        }
        expect($fields)->toEqualCanonicalizing(array_keys((array) $registry->schema($name)['input']['properties']));
    }
    expect($sharing)->toBeGreaterThan(5)->and(array_key_exists(
        'tm_c',
        $schemas['MaterialInput']['properties'],
    ))->toBeTrue();
});
