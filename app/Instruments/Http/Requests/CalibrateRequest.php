<?php

declare(strict_types=1);

namespace App\Instruments\Http\Requests;

use App\Http\Body;
use App\Instruments\Models\Channel;

/** A channel was held beside something that is known to be right. */
final class CalibrateRequest extends Body
{
    public function authorize(): bool
    {
        $channel = $this->route('channel');

        return $channel instanceof Channel && $this->may('update', $channel->machine);
    }

    public function rules(): array
    {
        return [
            'after' => ['required', 'integer', 'min:0'],
            'true' => ['required', 'numeric', 'between:-1000000,1000000'],
            'shown' => ['nullable', 'numeric', 'between:-1000000,1000000'],
            'note' => ['nullable', 'string', 'max:500'],
        ];
    }

    public static function says(): array
    {
        return [
            'after' => 'the newest entry of its log that was seen',
            'true' => 'what the reference said',
            'shown' => 'what the instrument said then; what it has just sent unless given',
        ];
    }
}
