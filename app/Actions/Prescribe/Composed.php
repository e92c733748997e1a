<?php

declare(strict_types=1);

namespace App\Actions\Prescribe;

use App\Models\Area;
use HonestCore\Program\PartProgram;
use HonestCore\Program\ProgramChoices;
use HonestCore\Program\WantedCrop;

/** A program as it would be signed now. */
final readonly class Composed
{
    public string $hash;

    /**
     * @param list<GatheredPart> $gathered
     * @param list<PartProgram> $parts
     * @param list<array<string, mixed>> $tables
     * @param array<string, mixed> $body
     */
    public function __construct(
        public Area $area,
        public WantedCrop $crop,
        public ProgramChoices $choices,
        public array $gathered,
        public array $parts,
        public array $tables,
        public array $body,
    ) {
        $this->hash = self::hashOf($body);
    }

    /** @param array<string, mixed> $body */
    public static function hashOf(array $body): string
    {
        return hash('sha256', json_encode($body, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION));
    }

    /**
     * Does another say the same but for its days, which hang on the day it was made?
     *
     * @param array<string, mixed> $body
     */
    public function isLike(array $body): bool
    {
        return self::hashOf(self::withoutDays($this->body)) === self::hashOf(self::withoutDays($body));
    }

    /**
     * @param array<string, mixed> $body
     * @return array<string, mixed>
     */
    private static function withoutDays(array $body): array
    {
        $parts = $body['parts'] ?? [];
        $body['parts'] = array_map(
            static fn (mixed $part): mixed => is_array($part) ? array_diff_key($part, ['days' => 0]) : $part,
            is_array($parts) ? $parts : [],
        );

        /** @var array<string, mixed> $plain */
        $plain = json_decode(json_encode($body, JSON_THROW_ON_ERROR), true);

        return $plain;
    }

    public function season(): int
    {
        return (int) substr($this->choices->plantOn, 0, 4);
    }

    /** What it says in a few words. */
    public function inShort(): string
    {
        $said = array_values(array_unique(array_map(static fn (PartProgram $part): string => $part->inShort(), $this->parts)));

        return count($said) === 1 ? $said[0] : count($this->parts).' parts that do not want the same';
    }

    /** @return list<string> what brings something that is not wanted, and by which part */
    public function unwanted(): array
    {
        $found = [];
        foreach ($this->parts as $part) {
            foreach ($part->mix->unwanted as $nutrient) {
                $found[] = "{$part->results->label}: {$nutrient}";
            }
        }

        return $found;
    }
}
