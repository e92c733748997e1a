<?php

declare(strict_types=1);

namespace HonestCore\Error;

/** The sentences of all refusals: one catalogue, by kind and reason, with {names} where the facts go. */
final class RefusalWords
{
    private const CATALOGUE = __DIR__.'/../../words/refusals.json';

    /** @var array<string, array<string, string>>|null */
    private static ?array $sentences = null;

    /** @param array<string, string|int|float|null> $facts */
    public static function of(string $kind, string $reason, array $facts): string
    {
        $sentence = self::sentences()[$kind][$reason] ?? throw new \LogicException("There are no words for {$kind}.{$reason}.");
        $filled = [];
        foreach ($facts as $name => $fact) {
            $filled["{{$name}}"] = (string) $fact;
        }

        return strtr($sentence, $filled);
    }

    /** @return array<string, array<string, string>> */
    public static function sentences(): array
    {
        if (self::$sentences === null) {
            /** @var array<string, array<string, string>> $read */
            $read = json_decode((string) file_get_contents(self::CATALOGUE), true, 8, JSON_THROW_ON_ERROR);
            self::$sentences = $read;
        }

        return self::$sentences;
    }
}
