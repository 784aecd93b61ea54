<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Dithermic\Core\Calculator\InputError;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Text that no field could hold is refused by its name before anything reads it: not UTF-8, or with a NUL inside. */
final class ReadableInput
{
    public function handle(Request $request, Closure $next): Response
    {
        $this->look('address', rawurldecode($request->getPathInfo()));
        $this->look('query', $request->query->all());
        if (! $request->isJson()) {
            $this->look('body', $request->request->all());
        } elseif (str_contains($request->getContent(), '\u0000')) {
            // JSON that is not UTF-8, or has a NUL as it is, is no JSON: only one that is written as such comes
            // through.
            $this->look('body', $request->json()->all());
        }

        return $next($request);
    }

    /** @throws InputError */
    private function look(string $field, mixed $value): void
    {
        if (is_string($value)) {
            if (str_contains($value, "\0") || ! mb_check_encoding($value, 'UTF-8')) {
                throw new InputError(
                    $field,
                    'holds something that is not text: write it again without control characters',
                );
            }

            return;
        }
        if (! is_array($value)) {
            return;
        }
        foreach ($value as $name => $inner) {
            $this->look($field, (string) $name);
            $this->look(in_array($field, ['query', 'body'], true) ? (string) $name : "{$field}.{$name}", $inner);
        }
    }
}
