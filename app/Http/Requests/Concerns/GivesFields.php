<?php

declare(strict_types=1);

namespace App\Http\Requests\Concerns;

/** What was validated, by name. */
trait GivesFields
{
    /** @return array<string, mixed> */
    public function fields(): array
    {
        $fields = [];
        foreach ((array) $this->validated() as $name => $value) {
            $fields[(string) $name] = $value;
        }

        return $fields;
    }

    /** @return list<array<mixed>> the rows of a field that is a list of them */
    public function rowsOf(string $field): array
    {
        return array_values(array_filter((array) ($this->fields()[$field] ?? []), is_array(...)));
    }
}
