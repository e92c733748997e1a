<?php

declare(strict_types=1);

namespace HonestCore\Bench;

use HonestCore\Error\BadDefinition;

/**
 * One object of a definition, read field by field with its place in words; a field that nobody asked for is refused.
 */
final class Entry
{
    private const CODE = '/^[a-z0-9]+(-[a-z0-9]+)*$/D';

    /** @var array<string, true> */
    private array $asked = [];

    /** @param array<string, mixed> $fields */
    private function __construct(private readonly array $fields, public readonly string $place) {}

    /** @throws BadDefinition */
    public static function of(mixed $value, string $place): self
    {
        if (! is_array($value) || ($value !== [] && array_is_list($value))) {
            throw new BadDefinition('no_object', ['place' => $place]);
        }

        /** @var array<string, mixed> $value */
        return new self($value, $place);
    }

    public function has(string $field): bool
    {
        return array_key_exists($field, $this->fields);
    }

    /** @throws BadDefinition */
    public function words(string $field, int $least, int $most): string
    {
        $value = $this->take($field);
        if (! is_string($value) || mb_strlen(trim($value)) < $least || mb_strlen($value) > $most) {
            throw $this->wrong($least === 0 ? 'no_text' : 'no_words', $field, $value, ['low' => $least, 'high' => $most]);
        }

        return trim($value);
    }

    /** @throws BadDefinition */
    public function code(string $field): string
    {
        $value = $this->take($field);

        return is_string($value) && strlen($value) <= 40 && preg_match(self::CODE, $value) === 1
            ? $value
            : throw $this->wrong('no_code', $field, $value);
    }

    /** @throws BadDefinition */
    public function breakCode(string $field): ?string
    {
        if (! $this->has($field)) {
            return null;
        }
        $value = $this->take($field);

        return in_array($value, ProtocolBreak::codes(), true)
            ? $value
            : throw $this->wrong('no_break', $field, $value, ['known' => implode(', ', ProtocolBreak::codes())]);
    }

    /** @throws BadDefinition */
    public function whole(string $field, int $least, int $most): int
    {
        $value = $this->take($field);
        $value = is_float($value) && floor($value) === $value && abs($value) < 1e9 ? (int) $value : $value;

        return is_int($value) && $value >= $least && $value <= $most
            ? $value
            : throw $this->wrong('no_whole_number', $field, $value, ['low' => $least, 'high' => $most]);
    }

    /** @throws BadDefinition */
    public function number(string $field, float $least, float $most): float
    {
        $value = $this->take($field);

        return self::isNumber($value) && $value >= $least && $value <= $most
            ? (float) $value
            : throw $this->wrong('no_number', $field, $value, ['low' => $least, 'high' => $most]);
    }

    /** @throws BadDefinition */
    public function end(string $field): ?float
    {
        $value = $this->take($field);

        return $value === null || self::isNumber($value)
            ? ($value === null
                ? null
                : (float) $value)
            : throw $this->wrong('no_end', $field, $value);
    }

    /** @throws BadDefinition */
    public function truth(string $field): bool
    {
        $value = $this->take($field);

        return is_bool($value) ? $value : throw $this->wrong('no_truth', $field, $value);
    }

    /**
     * @param list<string|null> $choices
     *
     * @throws BadDefinition
     */
    public function oneOf(string $field, array $choices): ?string
    {
        $value = $this->take($field);

        return in_array($value, $choices, true)
            ? $value
            : throw $this->wrong('no_choice', $field, $value, [
                'known' => implode(', ', array_map(static fn (?string $choice): string => $choice ?? 'null', $choices)),
            ]);
    }

    /** @throws BadDefinition */
    public function maybe(string $field): ?self
    {
        $value = $this->take($field);

        return $value === null ? null : self::of($value, "{$this->place}{$field}, ");
    }

    /** @throws BadDefinition */
    public function entry(string $field): self
    {
        return $this->maybe($field) ?? throw $this->wrong('no_object_there', $field, null);
    }

    /**
     * @return list<mixed>
     *
     * @throws BadDefinition
     */
    public function items(string $field, int $least, int $most): array
    {
        $value = $this->take($field);

        return is_array($value) && array_is_list($value) && count($value) >= $least && count($value) <= $most
            ? $value
            : throw $this->wrong('no_list', $field, $value, ['low' => $least, 'high' => $most]);
    }

    /**
     * @return list<self>
     *
     * @throws BadDefinition
     */
    public function entries(string $field, int $least, int $most): array
    {
        $entries = [];
        foreach ($this->items($field, $least, $most) as $i => $item) {
            $entries[] = self::of($item, "{$this->place}{$field} ".($i + 1).', ');
        }

        return $entries;
    }

    /** @throws BadDefinition when there is a field that nothing asked for */
    public function done(): void
    {
        foreach (array_keys($this->fields) as $field) {
            if (! isset($this->asked[$field])) {
                throw new BadDefinition('no_such_field', [
                    'place' => $this->place,
                    'field' => $field,
                    'known' => implode(', ', array_keys($this->asked)),
                ]);
            }
        }
    }

    private function take(string $field): mixed
    {
        $this->asked[$field] = true;
        if (! array_key_exists($field, $this->fields)) {
            throw new BadDefinition('missing', ['place' => $this->place, 'field' => $field]);
        }

        return $this->fields[$field];
    }

    /** @param array<string, string|int|float> $facts bounds, or what is known */
    private function wrong(string $reason, string $field, mixed $value, array $facts = []): BadDefinition
    {
        $shown = mb_substr((string) json_encode($value, JSON_UNESCAPED_UNICODE | JSON_PARTIAL_OUTPUT_ON_ERROR), 0, 60);

        return new BadDefinition($reason, ['place' => $this->place, 'field' => $field, 'value' => $shown] + $facts);
    }

    /** @phpstan-assert-if-true int|float $value */
    private static function isNumber(mixed $value): bool
    {
        return (is_int($value) || is_float($value)) && is_finite((float) $value) && abs($value) <= 1e9;
    }
}
