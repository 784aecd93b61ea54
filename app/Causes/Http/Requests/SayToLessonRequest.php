<?php

declare(strict_types=1);

namespace App\Causes\Http\Requests;

use App\Causes\Models\LessonSaid;
use App\Http\Body;

final class SayToLessonRequest extends Body
{
    public function authorize(): bool
    {
        return $this->may('create', LessonSaid::class);
    }

    public function rules(): array
    {
        return ['id' => ['required', 'uuid'], 'taken' => ['required', 'boolean']];
    }

    public static function says(): array
    {
        return ['taken' => 'true: the next set-up opens with it'];
    }
}
