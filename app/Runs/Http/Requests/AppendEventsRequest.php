<?php

declare(strict_types=1);

namespace App\Runs\Http\Requests;

use App\Http\Body;
use App\People\Models\User;
use App\People\Support\KnownDevice;
use App\Runs\Models\Run;
use Closure;
use Dithermic\Core\Run\Event;
use Dithermic\Core\Run\EventSource;
use Dithermic\Core\Run\EventType;
use Illuminate\Support\Arr;
use Illuminate\Validation\Rule;

final class AppendEventsRequest extends Body
{
    /** number of the newest entry that an asker knows of */
    public const SINCE = ['nullable', 'integer', 'between:0,1000000'];

    private const LONGEST_TEXT = 2000;

    /** bytes of JSON */
    private const LARGEST_ENTRY = 16_000;

    public function authorize(): bool
    {
        $run = $this->route('run');

        return $run instanceof Run && ($this->user()?->can('record', $run) ?? false);
    }

    public function rules(): array
    {
        return [
            'since' => self::SINCE,
            'events' => ['required', 'list', 'min:1', 'max:200'],
            'events.*.key' => ['required', 'string', 'regex:/^[A-Za-z0-9-]{8,60}$/'],
            'events.*.type' => [
                'required', Rule::enum(EventType::class)->except([EventType::Started, EventType::LotChanged]),
            ],
            'events.*.at' => ['required', 'numeric', 'between:0,99999999999'],
            'events.*.by_id' => ['nullable', 'integer', 'between:1,9000000000000000'],
            'events.*.sitting' => ['nullable', 'string', 'max:120'],
            // An instrument's trace comes by its own door.
            'events.*.source' => ['nullable', Rule::enum(EventSource::class)->except([EventSource::Trace])],
            'events.*.data' => ['present', 'array', 'max:20', self::ofReadableSize(...)],
        ];
    }

    public static function says(): array
    {
        return [
            'since' => 'number of the newest entry that is known: the answer has what is new',
            'events.*.at' => 'seconds since 1970 UTC',
            'events.*.sitting' => 'proof of who sat at the screen then, from the sign-in',
        ];
    }

    /** What a hand writes beside a press is short: a run is read whole, on a screen and on paper. */
    private static function ofReadableSize(string $field, mixed $data, Closure $fail): void
    {
        foreach (Arr::dot((array) $data) as $name => $value) {
            if (is_string($value) && mb_strlen($value) > self::LONGEST_TEXT) {
                $fail("{$name} is longer than ".self::LONGEST_TEXT.' letters: write it shorter, or in two entries');
            }
        }
        if (strlen((string) json_encode($data)) > self::LARGEST_ENTRY) {
            $fail('is larger than '.self::LARGEST_ENTRY.' bytes: one entry is one observation');
        }
    }

    /**
     * An entry is by the person of its session. One made on a shared screen before somebody else took over carries the
     * proof of its own sitting there, by password or PIN; a name alone proves nothing. The powers of a lead come only
     * with the lead's own session.
     *
     * @return list<array{event: Event, by: User|null}> by is null where an entry names somebody and cannot prove it
     */
    public function events(User $sender, KnownDevice $device): array
    {
        $events = [];
        foreach ($this->input('events') as $given) {
            $at = round((float) $given['at'], 3);
            $author = $this->author($given, $at, $sender, $device);
            $events[] = [
                'event' => new Event(
                    $given['key'],
                    EventType::from($given['type']),
                    $at,
                    $author->name ?? '',
                    $given['data'],
                    $sender->isLead() && $author?->is($sender) === true,
                    EventSource::from($given['source'] ?? EventSource::Tap->value),
                ),
                'by' => $author,
            ];
        }

        return $events;
    }

    /** @param  array<string, mixed>  $given */
    private function author(array $given, float $at, User $sender, KnownDevice $device): ?User
    {
        if (isset($given['by_id']) && (int) $given['by_id'] === $sender->id) {
            return $sender;
        }
        if (isset($given['sitting'])) {
            return $device->author($this, (string) $given['sitting'], $at);
        }

        return isset($given['by_id']) ? null : $sender;
    }
}
