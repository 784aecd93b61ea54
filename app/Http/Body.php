<?php

declare(strict_types=1);

namespace App\Http;

use App\People\Models\User;
use Illuminate\Foundation\Http\FormRequest;

/** What is sent to one path: who may, and what it must look like. The contract is made from the same rules. */
abstract class Body extends FormRequest
{
    protected const MASS_G = ['required', 'numeric', 'gt:0', 'max:1000000000'];

    public function authorize(): bool
    {
        return true;
    }

    /** @return array<string, mixed> by dotted name; `list` is a list, `array` is an object with names of its own */
    abstract public function rules(): array;

    /** @return array<string, string> what a field means, where its name does not say it */
    public static function says(): array
    {
        return [];
    }

    public function actor(): User
    {
        $user = $this->user();
        assert($user instanceof User);

        return $user;
    }

    protected function may(string $ability, mixed $what): bool
    {
        return $this->user()?->can($ability, $what) ?? false;
    }
}
