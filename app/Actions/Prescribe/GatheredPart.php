<?php

declare(strict_types=1);

namespace App\Actions\Prescribe;

use App\Models\SignedVerdict;
use HonestCore\Agronomy\Crop;
use HonestCore\Program\PartResults;

/** One part with the readings and verdicts behind it, and its ground. */
final readonly class GatheredPart
{
    /**
     * @param array<string, HeardReading> $heard by analyte
     * @param array<string, mixed> $geometry GeoJSON
     * @param int $planned how many parts its plan laid out
     */
    public function __construct(
        public PartResults $results,
        public Advised $by,
        public Crop $wants,
        public array $heard,
        public array $geometry,
        public int $planned,
    ) {}

    /** @return list<int> readings that it rests on */
    public function readings(): array
    {
        $ids = [$this->by->labReading?->id, $this->by->lab === null ? $this->by->kitReading?->id : null];
        foreach ($this->heard as $one) {
            $ids[] = $one->reading?->id;
        }

        return array_values(array_unique(array_filter($ids, is_int(...))));
    }

    /** @return array<int, SignedVerdict> by their number */
    public function verdicts(): array
    {
        $found = [];
        foreach ([$this->by->verdict, ...array_map(static fn (HeardReading $one) => $one->verdict, array_values($this->heard))] as $one) {
            if ($one !== null) {
                $found[$one->id] = $one;
            }
        }

        return $found;
    }
}
