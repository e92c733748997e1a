<?php

declare(strict_types=1);

namespace HonestCore\Table;

use HonestCore\Error\BadField;

/**
 * Reads the named fields of a row by their kind: what is missing or of another kind is refused, never guessed.
 *
 * A whole number serves where a number is asked for, since JSON writes 12.0 as 12.
 */
final readonly class Fields
{
    /** @param array<mixed> $row */
    public function __construct(private array $row) {}

    public function has(string $field): bool
    {
        return isset($this->row[$field]);
    }

    /** @throws BadField */
    public function text(string $field, ?string $else = null): string
    {
        $value = $this->row[$field] ?? $else;

        return is_string($value) ? $value : throw new BadField('no_text', ['place' => $field]);
    }

    public function textOrNull(string $field): ?string
    {
        return $this->has($field) ? $this->text($field) : null;
    }

    /** @throws BadField */
    public function whole(string $field, ?int $else = null): int
    {
        $value = $this->row[$field] ?? $else;

        return is_int($value) ? $value : throw new BadField('no_whole_number', ['place' => $field]);
    }

    public function wholeOrNull(string $field): ?int
    {
        return $this->has($field) ? $this->whole($field) : null;
    }

    /** @throws BadField */
    public function number(string $field, ?float $else = null): float
    {
        $value = $this->row[$field] ?? $else;

        return is_int($value) || is_float($value) ? (float) $value : throw new BadField('no_number', [
            'place' => $field,
        ]);
    }

    public function numberOrNull(string $field): ?float
    {
        return $this->has($field) ? $this->number($field) : null;
    }

    /** @throws BadField */
    public function flag(string $field, ?bool $else = null): bool
    {
        $value = $this->row[$field] ?? $else;

        return is_bool($value) ? $value : throw new BadField('no_truth', ['place' => $field]);
    }

    /**
     * @return array<mixed>
     *
     * @throws BadField
     */
    public function row(string $field): array
    {
        $value = $this->row[$field] ?? null;

        return is_array($value) ? $value : throw new BadField('no_row_of_fields', ['place' => $field]);
    }

    /** @return array<mixed>|null */
    public function rowOrNull(string $field): ?array
    {
        return $this->has($field) ? $this->row($field) : null;
    }

    /**
     * @return array<string, mixed>
     *
     * @throws BadField
     */
    public function named(string $field): array
    {
        $named = [];
        foreach ($this->row($field) as $name => $value) {
            $named[(string) $name] = $value;
        }

        return $named;
    }

    /**
     * @return list<array<mixed>>
     *
     * @throws BadField
     */
    public function rows(string $field): array
    {
        return array_map(
            static fn (mixed $one): array => is_array($one) ? $one : throw new BadField('no_list_of_rows', [
                'place' => $field,
            ]),
            array_values($this->rowOrNull($field) ?? []),
        );
    }

    /**
     * @return list<string>
     *
     * @throws BadField
     */
    public function texts(string $field): array
    {
        return array_map(
            static fn (mixed $one): string => is_string($one) ? $one : throw new BadField('no_list_of_texts', [
                'place' => $field,
            ]),
            array_values($this->rowOrNull($field) ?? []),
        );
    }

    /**
     * @return list<float>
     *
     * @throws BadField
     */
    public function numbers(string $field): array
    {
        return array_map(
            static fn (mixed $one): float => is_int($one) || is_float($one)
                ? (float) $one
                : throw new BadField('no_list_of_numbers', ['place' => $field]),
            array_values($this->rowOrNull($field) ?? []),
        );
    }

    /**
     * @return list<int>
     *
     * @throws BadField
     */
    public function wholes(string $field): array
    {
        return array_map(
            static fn (mixed $one): int => is_int($one) ? $one : throw new BadField('no_list_of_whole_numbers', [
                'place' => $field,
            ]),
            array_values($this->rowOrNull($field) ?? []),
        );
    }

    /**
     * A pair of numbers, such as longitude and latitude.
     *
     * @return array{float, float}|null
     *
     * @throws BadField
     */
    public function pairOrNull(string $field): ?array
    {
        if (! $this->has($field)) {
            return null;
        }
        $pair = $this->numbers($field);

        return count($pair) === 2 ? [$pair[0], $pair[1]] : throw new BadField('no_two_numbers', [
            'place' => $field,
        ]);
    }
}
