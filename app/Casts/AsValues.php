<?php

declare(strict_types=1);

namespace App\Casts;

use HonestCore\Table\Stored;
use Illuminate\Contracts\Database\Eloquent\CastsAttributes;
use Illuminate\Database\Eloquent\Model;

/**
 * A column of JSON as a list of values of the core; null stays null. Rows that are given are read as such values first.
 *
 * @implements CastsAttributes<list<Stored>|null, list<Stored>|null>
 */
final class AsValues implements CastsAttributes
{
    public bool $withoutObjectCaching = true;

    /** @param class-string<Stored> $class */
    public function __construct(private readonly string $class) {}

    /** @param class-string<Stored> $class */
    public static function of(string $class): string
    {
        return self::class.":{$class}";
    }

    /** @return list<Stored>|null */
    public function get(Model $model, string $key, mixed $value, array $attributes): ?array
    {
        $rows = is_string($value) ? json_decode($value, true, 512, JSON_THROW_ON_ERROR) : null;

        return is_array($rows)
            ? array_map(($this->class)::fromRow(...), array_values(array_filter($rows, is_array(...))))
            : null;
    }

    /** @return array<string, string|null> */
    public function set(Model $model, string $key, mixed $value, array $attributes): array
    {
        return [$key => is_array($value) ? json_encode($this->rows($value), JSON_THROW_ON_ERROR) : null];
    }

    /**
     * @param array<mixed> $values
     * @return list<array<string, mixed>>
     */
    private function rows(array $values): array
    {
        $rows = [];
        foreach ($values as $one) {
            if ($one instanceof Stored) {
                $rows[] = $one->toRow();
            } elseif (is_array($one)) {
                $rows[] = ($this->class)::fromRow($one)->toRow();
            }
        }

        return $rows;
    }
}
