<?php

declare(strict_types=1);

use App\People\Models\User;
use App\Planning\Models\ShopOrder;
use App\Support\Calendar;
use Illuminate\Testing\TestResponse;

function calendarKey(array $scopes = ['calendar'], int $days = 30, string $who = 'maren'): string
{
    $token = User::query()->where('login', $who)->firstOrFail()->createToken('diary', $scopes, now()->addDays($days));

    return str_replace('|', '-', $token->plainTextToken);
}

it('is subscribed to by its address alone, and has what is due and what is planned', function (): void {
    $now = now()->getTimestamp();
    $day = $this->signedIn()->getJson('/api/v1/day?from='.($now - 3600).'&until='.($now + 8 * 3600))->assertOk();
    $jobs = array_filter(
        [...$day->json('jobs'), ...$day->json('works')],
        static fn (array $j): bool => $j['starts'] !== null,
    );
    $this->app['auth']->forgetGuards();
    $answer = $this->flushHeaders()->get('/api/v1/calendar/'.calendarKey().'.ics')->assertOk();
    expect($answer->headers->get('Content-Type'))->toStartWith('text/calendar');
    $ics = (string) $answer->getContent();
    expect(substr_count($ics, 'UID:plan-'))->toBe(count($jobs))
        ->and(substr_count($ics, 'UID:order-'))->toBe(ShopOrder::query()->open()->count())
        ->and($ics)->toContain('SUMMARY:Finish: ')
        ->and(substr_count($ics, 'BEGIN:VEVENT'))->toBe(substr_count($ics, 'END:VEVENT'));
    foreach ($jobs as $job) {
        expect($ics)->toContain('DTSTART:'.gmdate('Ymd\THis\Z', (int) round($job['starts'])));
    }
});

it('opens nothing with a key that is none, is another\'s kind, has ended, or whose person has gone', function (): void {
    $open = function (string $key): TestResponse {
        $this->app['auth']->forgetGuards();

        return $this->get("/api/v1/calendar/{$key}.ics");
    };
    $open('1-'.str_repeat('x', 48))->assertUnauthorized();
    $open(calendarKey(['shop']))->assertForbidden();
    $open(calendarKey(days: -1))->assertUnauthorized();
    $key = calendarKey(who: 'jun');
    $open($key)->assertOk();
    User::query()->where('login', 'jun')->update(['active' => false]);
    $open($key)->assertUnauthorized();
});

it('opens nothing else', function (): void {
    $token = str_replace('-', '|', calendarKey());
    foreach (['floor', 'runs', 'people', 'day?from=1&until=2', 'news'] as $path) {
        $this->app['auth']->forgetGuards();
        expect($this->withToken($token)->getJson("/api/v1/{$path}")->status())->toBe(403);
    }
});

it('is written so that nothing somebody typed is a line of its own', function (): void {
    $calendar = new Calendar('a');
    $typed = "Tom; \"x\", y\nEND:VEVENT\r\nBEGIN:VALARM\\".str_repeat('ä€', 60);
    $calendar->add('u', $typed, 1_800_000_000.4, 1_799_999_999, 0);
    $lines = explode("\r\n", $calendar->written());
    expect($lines)->toContain('DTSTART:20270115T080000Z', 'DTEND:20270115T080000Z', 'END:VCALENDAR')
        ->and(array_filter($lines, static fn (string $l): bool => strlen($l) > 75))->toBe([])
        ->and(array_filter($lines, static fn (string $l): bool => ! mb_check_encoding($l, 'UTF-8')))->toBe([])
        ->and(array_count_values($lines)['END:VEVENT'])->toBe(1)
        ->and(in_array('BEGIN:VALARM', $lines, true))->toBeFalse();
    $unfolded = str_replace("\r\n ", '', $calendar->written());
    expect($unfolded)->toContain('SUMMARY:Tom\\; "x"\\, y\\nEND:VEVENT \\nBEGIN:VALARM\\\\');
});
