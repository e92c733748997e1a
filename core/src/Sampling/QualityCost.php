<?php

declare(strict_types=1);

namespace HonestCore\Sampling;

use HonestCore\Labs\QualityControl;
use HonestCore\Table\Fields;
use HonestCore\Table\RuleTable;
use HonestCore\Table\Stored;

/**
 * What duplicates in a plan cost and buy.
 *
 * Quantity and unit: composites and cores more; minutes; fees in money, by the usual fee of data/quality.json.
 */
final readonly class QualityCost implements Stored
{
    /**
     * @param list<int> $hidden composites that get a hidden duplicate
     * @param list<string> $words
     */
    private function __construct(
        public int $duplicates,
        public array $hidden,
        public int $usual,
        public int $cores,
        public float $minutes,
        public int $samples,
        public float $fees,
        public array $words,
    ) {}

    /** @param list<int> $hidden */
    public static function of(
        int $composites,
        int $duplicates,
        array $hidden,
        int $cores,
        float $minutes,
        int $layers,
    ): self {
        $fee = (new Fields(RuleTable::named('quality')))->number('fee');
        $samples = ($duplicates + count($hidden)) * $layers;
        $words = [];
        if ($duplicates > 0) {
            $words[] = QualityControl::ofPairs($duplicates * $layers)->words('sampling and lab together');
        }
        if ($hidden !== []) {
            $words[] = QualityControl::ofPairs(count($hidden) * $layers)->words('the lab alone');
        }

        return new self(
            $duplicates,
            $hidden,
            QualityControl::usual($composites),
            $cores,
            $minutes,
            $samples,
            $samples * $fee,
            $words,
        );
    }

    public static function fromRow(array $row): self
    {
        $fields = new Fields($row);

        return new self(
            $fields->whole('duplicates', 0),
            $fields->wholes('hidden'),
            $fields->whole('usual', 0),
            $fields->whole('cores', 0),
            $fields->number('minutes', 0.0),
            $fields->whole('samples', 0),
            $fields->number('fees', 0.0),
            $fields->texts('words'),
        );
    }

    public function toRow(): array
    {
        return [
            'duplicates' => $this->duplicates,
            'hidden' => $this->hidden,
            'usual' => $this->usual,
            'cores' => $this->cores,
            'minutes' => $this->minutes,
            'samples' => $this->samples,
            'fees' => $this->fees,
            'words' => $this->words,
        ];
    }
}
