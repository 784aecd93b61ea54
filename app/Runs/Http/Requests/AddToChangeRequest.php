<?php

declare(strict_types=1);

namespace App\Runs\Http\Requests;

use App\Http\Body;
use App\Runs\Models\JobChange;
use Dithermic\Core\Process\Change\ChangeEntry;
use Dithermic\Core\Process\Change\Look;
use Illuminate\Validation\Rule;

final class AddToChangeRequest extends Body
{
    public function authorize(): bool
    {
        return $this->may('create', JobChange::class);
    }

    public function rules(): array
    {
        return [
            'id' => ['required', 'uuid'],
            'after' => ['required', 'integer', 'between:0,9000000000000000'],
            'at' => ['nullable', 'numeric', 'between:0,100000000000'],
            'kind' => ['required', Rule::enum(ChangeEntry::class)],
            'task' => ['required_unless:kind,given_up', 'string', 'max:40'],
            'tap' => ['required_if:kind,tapped', 'string', 'max:80'],
            'look' => ['required_if:kind,looked', Rule::enum(Look::class)],
            'mass_g' => ['nullable', 'numeric', 'between:0,1000000'],
            'c' => ['nullable', 'numeric', 'between:-50,600'],
            'in_c' => ['nullable', 'numeric', 'between:-30,200'],
            'out_c' => ['nullable', 'numeric', 'between:-30,200'],
            'good' => ['nullable', 'integer', 'between:0,1000'],
            'bad' => ['nullable', 'integer', 'between:0,1000'],
            'why' => ['nullable', 'string', 'max:500'],
        ];
    }

    public static function says(): array
    {
        return [
            'after' => 'the newest entry that was seen',
            'at' => 'when it was done, s since 1970 UTC, of a screen that could not send it then; left out: now',
            'tap' => 'one of the task\'s own',
            'mass_g' => 'of the purging',
            'c' => 'where the task asks for a temperature',
            'in_c' => 'of the water',
            'good' => 'of the first parts',
            'why' => 'it is left out, or all is given up',
        ];
    }

    /** @return array<string, mixed> what was said, numbers as numbers */
    public function said(): array
    {
        $given = array_filter($this->validated(), static fn (mixed $v): bool => $v !== null);
        $said = array_diff_key($given, array_flip(['id', 'after', 'at', 'kind']));
        foreach (['mass_g', 'c', 'in_c', 'out_c'] as $number) {
            if (isset($said[$number])) {
                $said[$number] = (float) $said[$number];
            }
        }
        foreach (['good', 'bad'] as $count) {
            if (isset($said[$count])) {
                $said[$count] = (int) $said[$count];
            }
        }

        return $said;
    }
}
