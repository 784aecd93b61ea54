<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Run;
use App\Models\User;
use Dithermic\Core\Procedure\Event;
use Dithermic\Core\Procedure\EventType;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Support\Collection;
use Illuminate\Validation\Rule;

final class AppendEventsRequest extends FormRequest
{
    public function authorize(): bool
    {
        $run = $this->route('run');

        return $run instanceof Run && ($this->user()?->can('record', $run) ?? false);
    }

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'events' => ['required', 'array', 'min:1', 'max:200'],
            'events.*.key' => ['required', 'string', 'regex:/^[A-Za-z0-9-]{8,60}$/'],
            'events.*.type' => ['required', Rule::enum(EventType::class)->except([EventType::Started])],
            'events.*.at' => ['required', 'numeric'],
            'events.*.by_id' => ['nullable', 'integer'],
            'events.*.data' => ['present', 'array', 'max:20'],
        ];
    }

    /**
     * An entry made on a shared screen before somebody else signed in keeps its author, if that person is known on this
     * screen; the powers of a lead come only with the lead's own session.
     *
     * @param  Collection<int, User>  $onThisScreen
     * @return list<array{event: Event, by: User}>
     */
    public function events(User $sender, Collection $onThisScreen): array
    {
        $events = [];
        foreach ($this->input('events') as $given) {
            $author = isset($given['by_id']) ? $onThisScreen->firstWhere('id', (int) $given['by_id']) ?? $sender : $sender;
            $events[] = [
                'event' => new Event($given['key'], EventType::from($given['type']), round((float) $given['at'], 3), $author->name, $given['data'], $sender->isLead() && $author->is($sender)),
                'by' => $author,
            ];
        }

        return $events;
    }
}
