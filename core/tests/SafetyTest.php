<?php

declare(strict_types=1);

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Registry;

function check(array $over = []): object
{
    return (new Registry)->run('safety.check', array_replace_recursive([
        'process' => 'compression', 'lots' => [['polymer' => 'HDPE']], 'settings' => ['set_c' => 185], 'answers' => ['people_protected' => true, 'air_moving' => true],
    ], $over));
}

it('lets a sound run start', function (): void {
    $result = check();
    expect($result->blocks)->toBe([])->and($result->required_ppe)->toContain('hot gloves')->and($result->cautions)->not->toBeEmpty()->and(implode(' ', $result->cautions))->toContain('local codes');
});

it('blocks by name, and says who may override', function (array $over, string $id, string $who): void {
    $found = array_values(array_filter(check($over)->blocks, static fn ($b): bool => $b->id === $id));
    expect($found)->toHaveCount(1)->and($found[0]->who_may_override)->toBe($who)->and($found[0]->because)->not->toBeEmpty()->and($found[0]->do)->not->toBeEmpty();
})->with([
    'unknown polymer' => [['lots' => [['polymer' => 'UNKNOWN']]], 'unidentified_polymer', 'nobody'],
    'PVC' => [['lots' => [['polymer' => 'PVC-U']]], 'pvc', 'nobody'],
    'above the ceiling' => [['settings' => ['set_c' => 276]], 'above_ceiling', 'lead'],
    'no air' => [['answers' => ['air_moving' => false]], 'no_air', 'nobody'],
    'nobody protected' => [['answers' => ['people_protected' => false]], 'people_unprotected', 'nobody'],
    'moist ABS' => [['lots' => [['polymer' => 'ABS']], 'settings' => ['set_c' => 200]], 'moist', 'lead'],
    'source on trial' => [['lots' => [['polymer' => 'HDPE', 'source_state' => 'on_trial']]], 'source_not_accepted', 'lead'],
    'small trial passed' => [['lots' => [['polymer' => 'HDPE', 'source_state' => 'small_trial_passed']]], 'source_not_accepted', 'lead'],
    'POM in an open press' => [['lots' => [['polymer' => 'POM']], 'settings' => ['set_c' => 190]], 'process_unfit', 'nobody'],
    'PA6 in an open press' => [['lots' => [['polymer' => 'PA6', 'dry_state' => 'dry']], 'settings' => ['set_c' => 240]], 'process_unfit', 'lead'],
    'PVC after POM in a barrel' => [['process' => 'injection', 'lots' => [['polymer' => 'PVC-U']], 'settings' => ['set_c' => 130], 'machine' => ['last_polymer' => 'POM']], 'dangerous_barrel', 'nobody'],
    'HDPE after PVC in a barrel' => [['process' => 'extrusion', 'machine' => ['last_polymer' => 'PVC-U']], 'dangerous_barrel', 'nobody'],
    'two that must not meet' => [['lots' => [['polymer' => 'HDPE'], ['polymer' => 'PVC-U']]], 'dangerous_mix', 'nobody'],
    'over what the machine may' => [['machine' => ['name' => 'Anvil', 'max_c' => 180]], 'machine_limit', 'nobody'],
]);

it('opens for trials of the size that a source has earned', function (string $state, string $scale, bool $open): void {
    $ids = array_column(check(['lots' => [['polymer' => 'HDPE', 'source_state' => $state]], 'scale' => $scale])->blocks, 'id');
    expect(in_array('source_not_accepted', $ids, true))->toBe(! $open);
})->with([['on_trial', 'small_trial', true], ['on_trial', 'full_trial', false], ['small_trial_passed', 'full_trial', true], ['small_trial_passed', 'production', false], ['accepted', 'production', true]]);

it('keeps standing what nobody may override, whoever says so', function (): void {
    $result = check(['lots' => [['polymer' => 'UNKNOWN']], 'settings' => ['set_c' => 400]]);
    expect(array_column($result->standing(['unidentified_polymer', 'above_ceiling']), 'id'))->toBe(['unidentified_polymer']);
    expect(check(['settings' => ['set_c' => 276]])->standing(['above_ceiling']))->toBe([]);
});

it('cautions outside the usual window and refuses nonsense by name', function (): void {
    expect(implode(' ', check(['settings' => ['set_c' => 150]])->cautions))->toContain('may stay cold')->and(implode(' ', check(['settings' => ['set_c' => 230]])->cautions))->toContain('over the usual window');
    expect(static fn () => check(['lots' => [['polymer' => 'NOSUCH']]]))->toThrow(fn (InputError $e) => expect($e->field)->toBe('lots.0.polymer'));
    expect(static fn () => check(['process' => 'baking']))->toThrow(fn (InputError $e) => expect($e->field)->toBe('process'));
});

it('lets nothing hot in which PVC was found, and nobody may say otherwise', function () {
    $check = fn (array $found) => array_column(json_decode((string) json_encode((new Dithermic\Core\Calculator\Registry)->run('safety.check', [
        'process' => 'compression', 'lots' => [['polymer' => 'HDPE', 'label' => 'lot L-1', 'found' => $found]], 'machine' => ['name' => 'Anvil'], 'settings' => ['set_c' => 185], 'answers' => ['people_protected' => true, 'air_moving' => true],
    ])->blocks), true), 'who_may_override', 'id');
    expect($check(['PVC-U']))->toBe(['contaminated' => 'nobody'])->and($check(['PP', 'earth']))->toBe([])->and($check([]))->toBe([]);
});
