<?php

declare(strict_types=1);

namespace HonestCore\Sampling;

use HonestCore\Table\Fields;
use HonestCore\Table\Stored;

/**
 * The margin to expect on the pH of a plan's composites, and where the spread it rests on comes from.
 *
 * Quantity and unit: pH, half the width of the interval at `confidence`; `sd` the spread between cores.
 */
final readonly class PlanMargin implements Stored
{
    public const STATED = 'stated';

    public const EARLIER = 'earlier';

    public const USUAL = 'usual';

    public function __construct(
        public float $ph,
        public float $low,
        public float $high,
        public float $sd,
        public float $confidence,
        public string $source,
        public int $composites,
    ) {}

    /** A stated spread first, then the one of this ground's earlier composites, else the usual one. */
    public static function of(int $cores, ?float $statedSd, ?EarlierSpread $earlier): self
    {
        $margin = PhMargin::of($cores, $statedSd ?? $earlier?->sdPh);

        return new self(
            $margin->usual,
            $margin->low,
            $margin->high,
            $margin->sd,
            $margin->confidence,
            $statedSd !== null ? self::STATED : ($earlier === null ? self::USUAL : self::EARLIER),
            $earlier->composites ?? 0,
        );
    }

    public static function fromRow(array $row): self
    {
        $fields = new Fields($row);

        return new self(
            $fields->number('ph'),
            $fields->number('low'),
            $fields->number('high'),
            $fields->number('sd'),
            $fields->number('confidence'),
            $fields->text('source', self::USUAL),
            $fields->whole('composites', 0),
        );
    }

    public function toRow(): array
    {
        return [
            'ph' => $this->ph,
            'low' => $this->low,
            'high' => $this->high,
            'sd' => $this->sd,
            'confidence' => $this->confidence,
            'source' => $this->source,
            'composites' => $this->composites,
        ];
    }
}
