<?php

declare(strict_types=1);

use App\Http\Body;
use App\Http\OneOfSeveral;
use App\Material\Http\Requests\ActOnLotRequest;
use App\Support\Contract;
use App\Support\RulesSchema;
use Dithermic\Core\Run\EventSource;
use Illuminate\Support\Facades\Route;
use Illuminate\Support\Facades\Validator;
use Illuminate\Validation\Rule;

it('says of each rule what it lets through', function (array $rules, array $schema): void {
    expect(RulesSchema::of(['x' => $rules])['properties']['x'])->toBe($schema);
})->with([
    'text' => [['required', 'string', 'max:80'], ['type' => 'string', 'maxLength' => 80]],
    'text or none' => [['nullable', 'string'], ['type' => ['string', 'null']]],
    'a number above' => [
        ['numeric', 'gt:0', 'max:5.5'], ['type' => 'number', 'exclusiveMinimum' => 0, 'maximum' => 5.5],
    ],
    'a whole one between' => [['integer', 'between:1,30'], ['type' => 'integer', 'minimum' => 1, 'maximum' => 30]],
    'an id' => [['required', 'uuid'], ['type' => 'string', 'format' => 'uuid']],
    'a pattern' => [['regex:/^#[0-9]{6}$/'], ['type' => 'string', 'pattern' => '^#[0-9]{6}$']],
    'some words' => [['in:open,closed'], ['type' => 'string', 'enum' => ['open', 'closed']]],
    'some words or none' => [['nullable', 'in:a,b'], ['type' => ['string', 'null'], 'enum' => ['a', 'b', null]]],
    'a rule of words' => [[Rule::in(['a', 'b'])], ['type' => 'string', 'enum' => ['a', 'b']]],
    'yes or no' => [['required', 'boolean'], ['type' => 'boolean']],
]);

it('says what an enum lets through, without what is kept out', function (): void {
    $schema = RulesSchema::of(['source' => [Rule::enum(EventSource::class)->except([EventSource::Trace])]]);
    expect($schema['properties']['source']['enum'])->not->toContain('trace')->toContain('tap');
});

it('goes down into lists, objects and maps', function (): void {
    $schema = RulesSchema::of([
        'lots' => ['required', 'list', 'min:2'],
        'lots.*.id' => ['required', 'integer'],
        'lots.*.mass_g' => ['numeric'],
        'scopes' => ['list'],
        'scopes.*' => ['in:calc,shop'],
        'machines' => ['required', 'array', 'max:6'],
        'machines.*' => ['nullable', 'integer'],
        'sheet' => ['nullable', 'array'],
        'sheet.length_mm' => ['required', 'numeric'],
        'any' => ['present'],
    ], ['lots.*.id' => 'its number']);
    $of = $schema['properties'];
    expect($schema['required'])->toBe(['lots', 'machines', 'any'])
        ->and($of['lots']['items']['required'])->toBe(['id'])
        ->and($of['lots']['items']['properties']['id']['description'])->toBe('its number')
        ->and($of['lots']['minItems'])->toBe(2)
        ->and($of['scopes']['items'])->toBe(['type' => 'string', 'enum' => ['calc', 'shop']])
        ->and($of['machines']['additionalProperties'])->toBe(['type' => ['integer', 'null']])
        ->and($of['machines']['maxProperties'])->toBe(6)
        ->and($of['sheet']['properties']['length_mm']['type'])->toBe('number')
        ->and((array) $of['any'])->toBe([]);
});

it('describes each body once: every one that a path takes is in the contract', function (): void {
    $document = (new Contract)->build();
    $seen = 0;
    foreach (Route::getRoutes()->getRoutes() as $route) {
        $class = $route->getControllerClass();
        $action = $class === null || $route->getActionMethod() === $class ? '__invoke' : $route->getActionMethod();
        if ($class === null || ! str_starts_with($route->uri(), 'api/v1/') || ! method_exists($class, $action)) {
            continue;
        }
        foreach ((new ReflectionMethod($class, $action))->getParameters() as $parameter) {
            $type = $parameter->getType() instanceof ReflectionNamedType ? $parameter->getType()->getName() : '';
            if (! is_subclass_of($type, Body::class)) {
                continue;
            }
            $seen++;
            $method = strtolower($route->methods()[0]);
            $operation = $document['paths']['/'.substr($route->uri(), 7)][$method] ?? null;
            expect($operation)->not->toBeNull($route->uri());
            $named = $method === 'get'
                ? array_column($operation['parameters'], 'name')
                : [$operation['requestBody']['required'] ?? null];
            expect($named)->not->toBe([null], $route->uri());
        }
    }
    expect($seen)->toBeGreaterThan(40);
});

it('describes a body that differs by kind as one of several, each as the check takes it', function (): void {
    $several = ActOnLotRequest::several();
    expect(is_subclass_of(ActOnLotRequest::class, OneOfSeveral::class))->toBeTrue()
        ->and(array_keys($several))->toContain('split', 'put_right');
    $good = ['id' => fake_uuid(), 'kind' => 'split', 'mass_g' => 100];
    expect(Validator::make($good, $several['split'])->passes())->toBeTrue()
        ->and(Validator::make(['kind' => 'shred'] + $good, $several['split'])->passes())->toBeFalse()
        ->and(Validator::make(['mass_g' => 0] + $good, $several['split'])->passes())->toBeFalse();
});

it('gives every list one shape', function (): void {
    $document = (new Contract)->build();
    $lists = 0;
    foreach ($document['paths'] as $path => $operations) {
        $schema = $operations['get']['responses']['200']['content']['application/json']['schema'] ?? [];
        expect($schema['type'] ?? '')->not->toBe('array', $path);
        if (isset($schema['properties']['items'], $schema['properties']['next'])) {
            $lists++;
        }
    }
    expect($lists)->toBeGreaterThan(18);
    foreach (['lots', 'machines', 'products', 'polymers', 'calc', 'people', 'charges', 'mixes', 'sources', 'runs'] as $list) {
        expect(array_keys($this->signedIn('maren')->getJson("/api/v1/{$list}")->assertOk()->json()))
            ->toBe(['items', 'next'], $list);
    }
});

it('pages the shelves by what it gave as next, each lot once', function (): void {
    $this->signedIn();
    $first = $this->getJson('/api/v1/lots')->assertOk()->json();
    expect($first['next'])->toBeNull();
    $after = $first['items'][3]['id'];
    $rest = $this->getJson("/api/v1/lots?after={$after}")->assertOk()->json('items');
    expect(array_column($rest, 'id'))->toBe(array_column(array_slice($first['items'], 4), 'id'));
    $this->getJson('/api/v1/lots?after=999999999')->assertNotFound();
});
