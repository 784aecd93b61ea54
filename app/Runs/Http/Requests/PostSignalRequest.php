<?php

declare(strict_types=1);

namespace App\Runs\Http\Requests;

use App\Http\Body;
use App\Shop\Models\Machine;
use Dithermic\Core\Run\Foot;

final class PostSignalRequest extends Body
{
    public function authorize(): bool
    {
        return $this->may('addReadings', Machine::class);
    }

    public function rules(): array
    {
        return [
            'id' => ['required', 'uuid'],
            'machine' => ['required', 'string', 'max:60'],
            'signal' => ['required', 'in:'.Foot::PRESS.','.Foot::LONG],
        ];
    }

    public static function says(): array
    {
        return [
            'id' => 'of this press: send it again with the same id when the answer did not arrive',
        ];
    }
}
