<?php

declare(strict_types=1);

use App\Runs\Models\Inspection;
use App\Runs\Models\PassportLine;
use App\Runs\Models\Run;
use Illuminate\Testing\TestResponse;

/** A run of which parts were weighed, and that is over. */
function weighedRun(): Run
{
    return Run::query()->whereRelation('product', 'name', 'entrance reducer')
        ->where('status', 'finished')
        ->whereHas('inspections', static fn ($q) => $q->whereNotNull('mass_g'))
        ->with('materials.lot')
        ->latest('started_at')
        ->firstOrFail();
}

function sayOfPassport(
    Run $run,
    array $shows,
    ?int $before = null,
    array $over = [],
    string $who = 'maren',
): TestResponse {
    return test()->signedIn($who)->postJson("/api/v1/runs/{$run->id}/passport", $over + [
        'id' => fake_uuid(), 'before' => $before, 'shows' => $shows, 'waste' => [],
    ]);
}

function openedBy(string $address): TestResponse
{
    app('auth')->forgetGuards();

    return test()->withCredentials()->flushHeaders()->get(parse_url($address, PHP_URL_PATH));
}

it('shows nothing of a part until a lead ticks it, and then that and nothing else', function (): void {
    $run = weighedRun();
    $this->signedIn('ines')->getJson("/api/v1/runs/{$run->id}/passport")->assertOk()
        ->assertJsonPath('address', null)
        ->assertJsonPath('shows', [])
        ->assertJsonPath('weighed', true);
    $this->get("/api/v1/runs/{$run->id}/passport.pdf")->assertNotFound();
    $told = sayOfPassport($run, ['mark', 'made'])->assertCreated()->json();
    expect($told['address'])->toMatch('~/made/[A-Za-z0-9]{26}$~')->and($told['by'])->toBe('Maren Okafor');
    $page = openedBy($told['address'])->assertOk()
        ->assertHeader('X-Robots-Tag', 'noindex, nofollow')
        ->assertSee('&gt;PP&lt;', false)
        ->assertSee('Injection-moulded, '.$run->started_at->format('j F Y'))
        ->assertDontSee('entrance reducer')
        ->assertDontSee($run->materials->first()->lot->source->name)
        ->assertDontSee($run->starter->name)
        ->assertDontSee((string) $run->id)
        ->assertCookieMissing(config('session.cookie'));
    expect($page->headers->get('Cache-Control'))->toContain('no-store')
        ->and($page->getContent())->not->toContain('<script');
    // With everything ticked the parts say what they are, of what, and what they keep from waste.
    $source = $run->materials->first()->lot->source;
    sayOfPassport($run, ['name', 'sources', 'kept'], $told['id'], ['waste' => [$source->id]])->assertCreated()
        ->assertJsonPath('address', $told['address']);
    $weighed = Inspection::query()
        ->where('run_id', $run->id)
        ->whereNotNull('mass_g')
        ->pluck('mass_g')
        ->sort()
        ->values();
    $middle = ($weighed[intdiv($weighed->count() - 1, 2)] + $weighed[intdiv($weighed->count(), 2)]) / 2;
    openedBy($told['address'])->assertOk()
        ->assertSee('entrance reducer')
        ->assertSee($source->name)
        ->assertSee(number_format($middle, 0).' g in each part')
        ->assertDontSee('Injection-moulded');
    expect($this->signedIn('ines')->get("/api/v1/runs/{$run->id}/passport.pdf")->assertOk()->getContent())
        ->toStartWith('%PDF');
});

it('is gone when it is taken back, and has another code when it is given again', function (): void {
    $run = weighedRun();
    $first = sayOfPassport($run, ['mark'])->assertCreated()->json();
    $off = sayOfPassport($run, [], $first['id'])->assertCreated()->assertJsonPath('address', null)->json();
    openedBy($first['address'])->assertNotFound()->assertSee('There is nothing here');
    $again = sayOfPassport($run, ['mark'], $off['id'])->assertCreated()->json();
    expect($again['address'])->not->toBe($first['address']);
    openedBy($first['address'])->assertNotFound();
    openedBy($again['address'])->assertOk();
    // What was said stays said.
    expect(PassportLine::query()->where('run_id', $run->id)->count())->toBe(3);
});

it('is a lead\'s to say, once, and not over what another has said', function (): void {
    $run = weighedRun();
    sayOfPassport($run, ['mark'], who: 'ines')->assertForbidden();
    $body = ['id' => fake_uuid()];
    $told = sayOfPassport($run, ['mark'], null, $body)->assertCreated()->json();
    sayOfPassport($run, ['mark'], null, $body)->assertCreated();
    expect(PassportLine::query()->where('run_id', $run->id)->count())->toBe(1);
    sayOfPassport($run, ['name'])->assertStatus(422)->assertJsonPath('error.field', 'before');
    sayOfPassport($run, ['secrets'], $told['id'])->assertStatus(422)->assertJsonPath('error.field', 'shows.0');
    sayOfPassport($run, ['kept'], $told['id'], ['waste' => [999999]])
        ->assertStatus(422)
        ->assertJsonPath('error.field', 'waste');
    app('auth')->forgetGuards();
    $this->flushSession()->getJson("/api/v1/runs/{$run->id}/passport")->assertUnauthorized();
});

it('lets nobody try codes as fast as they like', function (): void {
    $last = 200;
    for ($i = 0; $i < 40 && $last !== 429; $i++) {
        $last = $this->get('/made/'.str_pad((string) $i, 26, 'a'))->status();
    }
    expect($last)->toBe(429)->and($i)->toBeGreaterThan(25);
    // A code of another length is none of its addresses: the application's own page answers, and shows nothing.
    expect($this->get('/made/short')->getContent())->not->toContain('There is nothing here');
});
