<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Arr;
use Illuminate\Support\Facades\DB;

/** What was asked, so that an id sent twice is the same thing twice. Kept with the work in one transaction. */
final readonly class Sent
{
    public function __construct(private Request $request)
    {
    }

    /**
     * Keeps what an id stands for; inside the transaction of the work. Outside a request there is nothing to compare.
     *
     * @return bool whether it comes for the first time
     *
     * @throws Conflict when it stands for something else already
     */
    public function as(string $id, string $field = 'id'): bool
    {
        if ($this->request->route() === null) {
            return true;
        }
        $hash = $this->hash();
        if (DB::table('sent')->insertOrIgnore(['id' => mb_strtolower($id), 'hash' => $hash, 'at' => now()]) === 1) {
            return true;
        }
        if (DB::table('sent')->where('id', mb_strtolower($id))->value('hash') !== $hash) {
            throw Conflict::of($field);
        }

        return false;
    }

    /** Of the person, the address and every field, in whatever order the fields came. */
    public function hash(): string
    {
        $body = $this->request->isJson() ? $this->request->json()->all() : $this->request->request->all();
        $files = array_map(
            static fn (mixed $f): string => $f instanceof UploadedFile ? (string) hash_file(
                'sha256',
                $f->getRealPath(),
            ) : '',
            Arr::dot($this->request->allFiles()),
        );

        return hash(
            'sha256',
            (string) json_encode(
                [
                    $this->request->user()?->getAuthIdentifier(),
                    $this->request->path(),
                    Arr::sortRecursive($body),
                    $files,
                ],
                JSON_PARTIAL_OUTPUT_ON_ERROR,
            ),
        );
    }
}
