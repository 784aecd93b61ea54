<?php

declare(strict_types=1);

namespace Dithermic\Core\Material;

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Data\Record;

/**
 * The polymers the shop knows (data/polymers.json), with the shop's own overrides laid over them.
 * An override replaces one dotted value, such as "demould_c.typical", and says so through origin().
 */
final class PolymerLibrary
{
    /** @var array<string, Polymer>|null */
    private ?array $byCode = null;

    /** @param  array<string, array<string, int|float|string|null>>  $overrides code => dotted path => value */
    public function __construct(private readonly array $overrides = [], private readonly ?string $file = null)
    {
    }

    /** @throws InputError when no polymer has that code */
    public function get(string $code, string $field = 'polymer'): Polymer
    {
        return $this->all()[$code] ?? throw new InputError(
            $field,
            "no polymer \"{$code}\" in the library; known: ".implode(', ', array_keys($this->all())),
        );
    }

    public function has(string $code): bool
    {
        return isset($this->all()[$code]);
    }

    /** @return array<string, Polymer> */
    public function all(): array
    {
        if ($this->byCode === null) {
            $this->byCode = [];
            foreach (Record::file($this->file ?? __DIR__.'/../../data/polymers.json')->each('polymers') as $polymer) {
                $code = $polymer->text('code');
                $own = $this->overrides[$code] ?? [];
                $record = $polymer->of;
                foreach ($own as $path => $value) {
                    self::put($record, explode('.', $path), $value);
                }
                $this->byCode[$code] = new Polymer($code, $record, array_keys($own));
            }
        }

        return $this->byCode;
    }

    /**
     * @param  array<array-key, mixed>  $record
     * @param  non-empty-list<string>  $path
     */
    private static function put(array &$record, array $path, int|float|string|null $value): void
    {
        $at = &$record;
        foreach ($path as $key) {
            if (! is_array($at)) {
                return;
            }
            $at = &$at[$key];
        }
        $at = $value;
    }
}
