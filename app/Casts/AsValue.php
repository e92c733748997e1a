<?php

declare(strict_types=1);

namespace App\Casts;

use HonestCore\Table\Stored;
use Illuminate\Contracts\Database\Eloquent\CastsAttributes;
use Illuminate\Database\Eloquent\Model;

/**
 * A column of JSON as the value of the core that is at home in it. Read once for each text it holds; what was only
 * read is never written back.
 *
 * @implements CastsAttributes<Stored|null, Stored|null>
 */
final class AsValue implements CastsAttributes
{
    public bool $withoutObjectCaching = true;

    /** @var \WeakMap<Model, array<string, array{string, Stored}>>|null */
    private static ?\WeakMap $read = null;

    /** @param class-string<Stored> $class */
    public function __construct(private readonly string $class) {}

    /** @param class-string<Stored> $class */
    public static function of(string $class): string
    {
        return self::class.":{$class}";
    }

    public function get(Model $model, string $key, mixed $value, array $attributes): ?Stored
    {
        if (! is_string($value)) {
            return null;
        }
        self::$read ??= new \WeakMap;
        $known = self::$read[$model][$key] ?? null;
        if ($known !== null && $known[0] === $value && $known[1] instanceof $this->class) {
            return $known[1];
        }
        $row = json_decode($value, true, 512, JSON_THROW_ON_ERROR);
        $read = ($this->class)::fromRow(is_array($row) ? $row : []);
        self::$read[$model] = [$key => [$value, $read]] + (self::$read[$model] ?? []);

        return $read;
    }

    /** @return array<string, string|null> */
    public function set(Model $model, string $key, mixed $value, array $attributes): array
    {
        return [$key => $value instanceof Stored ? json_encode($value->toRow(), JSON_THROW_ON_ERROR) : null];
    }
}
