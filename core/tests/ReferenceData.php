<?php

declare(strict_types=1);

namespace HonestCore\Tests;

/** Values that another program gave, frozen beside the script that made them in tests/Reference. */
final class ReferenceData
{
    /** @return array<string, mixed> */
    public static function of(string $name): array
    {
        $data = json_decode(
            (string) file_get_contents(__DIR__."/Reference/{$name}.json"),
            true,
            512,
            JSON_THROW_ON_ERROR,
        );

        return is_array($data) ? $data : throw new \LogicException("{$name}.json holds no object.");
    }
}
