<?php

declare(strict_types=1);

namespace App\Casts;

use HonestCore\Error\BadField;
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
        if ($rows === null) {
            return null;
        }
        if (! is_array($rows)) {
            throw new BadField('no_list_of_rows', ['place' => $key]);
        }

        return $this->values($key, $rows);
    }

    /** @return array<string, string|null> */
    public function set(Model $model, string $key, mixed $value, array $attributes): array
    {
        $row = static fn (Stored $one): array => $one->toRow();

        return [
            $key => is_array($value)
                ? json_encode(array_map($row, $this->values($key, $value)), JSON_THROW_ON_ERROR)
                : null,
        ];
    }

    /**
     * None is left out unsaid: what is neither a row nor such a value is refused.
     *
     * @param array<mixed> $rows
     * @return list<Stored>
     *
     * @throws BadField
     */
    private function values(string $key, array $rows): array
    {
        return array_map(
            fn (mixed $one): Stored => match (true) {
                $one instanceof Stored => $one,
                is_array($one) => ($this->class)::fromRow($one),
                default => throw new BadField('no_list_of_rows', ['place' => $key]),
            },
            array_values($rows),
        );
    }
}
