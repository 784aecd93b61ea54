<?php

declare(strict_types=1);

namespace App\Shop\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Facades\DB;

/** A photograph; it never changes. */
final class Picture extends Model
{
    /** Its JPEG; null where there is none of that id. */
    public static function bytes(string $id): ?string
    {
        $row = DB::selectOne("select encode(jpeg, 'base64') as jpeg from pictures where id = ?", [$id]);

        return $row === null ? null : (string) base64_decode($row->jpeg, true);
    }
}
