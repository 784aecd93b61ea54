<?php

declare(strict_types=1);

namespace App\Shop\Http\Requests;

use App\Http\Body;

/** Whoever sees something raises it once; what comes again and again is a lead's to say. */
final class AddCareRequest extends Body
{
    public function authorize(): bool
    {
        $again = $this->input('every_days') !== null || $this->input('every_pieces') !== null;

        return $this->may($again ? 'update' : 'raiseCare', $this->route('machine'));
    }

    public function rules(): array
    {
        return [
            'id' => ['required', 'uuid'],
            'title' => ['required', 'string', 'max:80'],
            'why' => ['nullable', 'string', 'max:500'],
            'every_days' => ['nullable', 'integer', 'between:1,3650'],
            'every_pieces' => ['nullable', 'integer', 'between:1,10000000'],
            'run_id' => ['nullable', 'uuid', 'exists:runs,id'],
        ];
    }

    public static function says(): array
    {
        return ['run_id' => 'the run that it was seen in', 'every_days' => 'without days and pieces it comes once'];
    }

    /** @return array{title: string, why: string, every_days: int|null, every_pieces: int|null, run_id: string|null} */
    public function care(): array
    {
        $given = $this->validated();
        $whole = static fn (string $name): ?int => isset($given[$name]) ? (int) $given[$name] : null;

        return [
            'title' => trim($given['title']),
            'why' => $given['why'] ?? '',
            'every_days' => $whole('every_days'),
            'every_pieces' => $whole('every_pieces'),
            'run_id' => $given['run_id'] ?? null,
        ];
    }
}
