<?php

declare(strict_types=1);

namespace App\Instruments\Http\Requests;

use App\Http\Body;
use App\Instruments\Models\Channel;
use Dithermic\Core\Instrument\Limits;
use Dithermic\Core\Instrument\Watched;
use Illuminate\Validation\Rule;

/** Between what a channel should stay, said as a whole. */
final class SetLimitsRequest extends Body
{
    public function authorize(): bool
    {
        $channel = $this->route('channel');

        return $channel instanceof Channel && $this->may('update', $channel->machine);
    }

    public function rules(): array
    {
        $number = ['nullable', 'numeric', 'between:-1000000,1000000'];

        return [
            'after' => ['required', 'integer', 'min:0'],
            'watched' => ['required', Rule::enum(Watched::class)],
            'low' => $number,
            'high' => $number,
            'follows' => ['nullable', 'string', 'max:60'],
            'delay_s' => ['nullable', 'numeric', 'between:0,3600'],
            'silent_s' => ['nullable', 'numeric', 'between:1,86400'],
            'per_min' => ['nullable', 'numeric', 'gt:0', 'max:1000000'],
            'note' => ['nullable', 'string', 'max:500'],
        ];
    }

    public static function says(): array
    {
        return [
            'after' => 'the newest entry of its log that was seen',
            'follows' => 'a number of the run\'s plan: low and high are then distances from it',
            'delay_s' => 'so long it must be out before it counts; 10 unless given',
        ];
    }

    public function limits(): Limits
    {
        $given = $this->validated();
        $number = static fn (string $name): ?float => isset($given[$name]) ? (float) $given[$name] : null;

        return new Limits(
            Watched::from($given['watched']),
            $number('low'),
            $number('high'),
            $given['follows'] ?? null,
            $number('delay_s') ?? 10.0,
            $number('silent_s'),
            $number('per_min'),
        );
    }
}
