<?php

declare(strict_types=1);

namespace App\Bench\Support;

use App\Bench\Models\Mesh;
use App\People\Models\User;
use Closure;
use Dithermic\Core\Calculator\Files;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Mesh\StlFile;
use Dithermic\Core\Mesh\Survey;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use PDO;

/**
 * Uploaded STL files, and the HTTP door's answer to what a file's name may be: the id of one of them, nothing else.
 * The database holds them; what a calculation reads is a copy on this machine, made when it first asks.
 */
final class MeshStore implements Files
{
    private const PART = 1 << 20;

    /** All of a shop's meshes together. */
    private const MOST_BYTES = 2_000_000_000;

    /** Who is told how far a measurement is. */
    public ?Closure $tell = null;

    public function progress(float $share): void
    {
        if ($this->tell !== null) {
            ($this->tell)($share);
        }
    }

    /** @throws InputError file, when it is no sound STL file or there is no room */
    public function keep(string $path, string $name, User $by): Mesh
    {
        $survey = Survey::of(StlFile::open($path));
        $hash = (string) hash_file('sha256', $path);
        $same = Mesh::query()->firstWhere('sha256', $hash);
        if ($same !== null) {
            return $same;
        }
        $bytes = (int) filesize($path);
        if ((int) Mesh::query()->sum('bytes') + $bytes > self::MOST_BYTES) {
            throw new InputError(
                'file',
                sprintf(
                    'does not fit: the shop keeps %.0f GB of meshes at most; take an old one away',
                    self::MOST_BYTES / 1e9,
                ),
            );
        }

        return DB::transaction(static function () use ($path, $name, $by, $survey, $hash, $bytes): Mesh {
            $mesh = Mesh::query()->create([
                'name' => mb_strimwidth($name, 0, 200, '…'),
                'sha256' => $hash,
                'bytes' => $bytes,
                'facets' => $survey->facets,
                'by_id' => $by->id,
            ]);
            $insert = DB::connection()->getPdo()->prepare(
                'insert into mesh_parts (mesh_id, part, content) values (?, ?, ?)',
            );
            $file = fopen($path, 'rb');
            assert($file !== false);
            for ($part = 0; ($content = (string) fread($file, self::PART)) !== ''; $part++) {
                $insert->bindValue(1, $mesh->id);
                $insert->bindValue(2, $part, PDO::PARAM_INT);
                $insert->bindValue(3, $content, PDO::PARAM_LOB);
                $insert->execute();
            }
            fclose($file);

            return $mesh;
        });
    }

    public function path(string $name): string
    {
        $mesh = Str::isUuid($name) ? Mesh::query()->find($name) : null;
        if ($mesh === null) {
            throw new InputError('file', 'is none that was uploaded here: choose one, or upload it');
        }
        $copy = storage_path("app/meshes/{$mesh->sha256}.stl");
        if (! is_file($copy)) {
            @mkdir(dirname($copy), 0770, true);
            $part = $copy.'.'.Str::random(8);
            $file = fopen($part, 'wb');
            assert($file !== false);
            for ($i = 0; (
                $row = DB::table('mesh_parts')->where('mesh_id', $mesh->id)->where('part', $i)->first()
            ) !== null; $i++) {
                fwrite(
                    $file,
                    is_resource($row->content) ? (string) stream_get_contents($row->content) : (string) $row->content,
                );
            }
            fclose($file);
            rename($part, $copy);
        }

        return $copy;
    }

    public function drop(Mesh $mesh): void
    {
        $mesh->delete();
        @unlink(storage_path("app/meshes/{$mesh->sha256}.stl"));
    }
}
