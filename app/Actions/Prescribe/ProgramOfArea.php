<?php

declare(strict_types=1);

namespace App\Actions\Prescribe;

use App\Models\Area;
use App\Models\SignedProgram;

/** Where the program of an area stands: signed, drafted, or as it would be drafted now. */
final readonly class ProgramOfArea
{
    public function __construct(
        public Area $area,
        public ?SignedProgram $signed,
        public bool $isDrafted,
        public ?Composed $composed,
    ) {}

    /** What it says in a few words. */
    public function inShort(): string
    {
        if ($this->signed === null) {
            return $this->composed?->inShort() ?? '';
        }
        $said = [];
        foreach ($this->signed->parts() as $part) {
            $said[] = is_string($part['in_short'] ?? null) ? $part['in_short'] : '';
        }
        $said = array_values(array_unique($said));

        return count($said) === 1 ? $said[0] : count($this->signed->parts()).' parts that do not want the same';
    }
}
