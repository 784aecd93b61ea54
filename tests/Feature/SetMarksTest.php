<?php

declare(strict_types=1);

use App\Shop\Models\Machine;
use Illuminate\Testing\TestResponse;

function marksOfHeron(?string $marks): TestResponse
{
    $heron = Machine::query()->findOrFail(machineNamed('Heron'));

    return test()->signedIn('maren')->postJson("/api/v1/machines/{$heron->id}/facts", [
        'after' => (int) $heron->factLog()->max('id'),
        'facts' => ['set_marks' => ['value' => $marks, 'origin' => 'measured']],
        'note' => 'with a touch thermometer',
    ]);
}

it('says set-points in the marks of the machine, on the plan and on the run', function (): void {
    $job = jobOf('entrance reducer', 'barrel', 'Heron', 'L-0106');
    expect($this->signedIn()->postJson('/api/v1/plans', $job)->assertOk()->json('in_marks'))->toBe([]);
    $melt = $this->postJson('/api/v1/plans', $job)->json('settings.melt_c');
    marksOfHeron(sprintf('dial 4 = %.0f, dial 6 = %.0f', $melt - 20, $melt + 20))->assertOk();
    $this->signedIn()->postJson('/api/v1/plans', $job)->assertOk()->assertJsonPath('in_marks.melt_c', 'dial 5');
    $run = $this->postJson('/api/v1/runs', $job)
        ->assertCreated()
        ->assertJsonPath('in_marks.melt_c', 'dial 5')
        ->json('summary.id');
    $this->getJson("/api/v1/runs/{$run}")->assertOk()->assertJsonPath('in_marks.melt_c', 'dial 5');
    // Nobody knows them any more: degrees are said alone.
    marksOfHeron(null)->assertOk();
    expect($this->signedIn()->getJson("/api/v1/runs/{$run}")->json('in_marks'))->toBe([]);
});

it('refuses what is no mark, by its field', function (): void {
    marksOfHeron('dial 4 = hot')->assertUnprocessable()->assertJsonPath('error.field', 'facts.set_marks');
});

it('says what is set on a heater that nobody reads while it works', function (): void {
    $bellows = Machine::query()->findOrFail(machineNamed('Bellows'));
    $this->signedIn('maren')->postJson("/api/v1/machines/{$bellows->id}/facts", [
        'after' => (int) $bellows->factLog()->max('id'),
        'facts' => ['heater_set' => ['value' => 'dial 7, outer elements full', 'origin' => 'measured']],
    ])->assertOk();
    $job = jobOf('syrup feeder tray', 'former', 'Bellows', 'L-0093');
    $this->signedIn()
        ->postJson('/api/v1/plans', $job)
        ->assertOk()
        ->assertJsonPath('in_marks.heater_c', 'dial 7, outer elements full');
    $this->signedIn('maren')->postJson("/api/v1/machines/{$bellows->id}/facts", [
        'after' => (int) $bellows->factLog()->max('id'),
        'facts' => ['heater_set' => ['value' => str_repeat('full ', 40), 'origin' => 'measured']],
    ])->assertStatus(422)->assertJsonPath('error.field', 'facts.heater_set');
});
