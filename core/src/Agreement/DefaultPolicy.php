<?php

declare(strict_types=1);

namespace HonestCore\Agreement;

use HonestCore\Analyte\Analytes;
use HonestCore\Error\BadOption;
use HonestCore\Error\BadTable;
use HonestCore\Error\ValueOutOfRange;
use HonestCore\Table\RuleTable;

/** The policy that ships for an analyte, with single terms replaced. */
final class DefaultPolicy
{
    /**
     * @param list<float>|null $thresholds
     *
     * @throws BadOption
     * @throws BadTable
     * @throws ValueOutOfRange
     */
    public static function for(
        string $analyte,
        ?array $thresholds = null,
        ?float $allowable = null,
        ?float $change = null,
        ?float $required = null,
        ?float $confidence = null,
        ?Scale $scale = null,
    ): Policy {
        /**
         * @var array{required: float, confidence: float, analytes: array<string, array{thresholds: list<int|float>,
         * allowable: float, change: float, scale: string}>} $table
         */
        $table = RuleTable::named('policies');
        if (! in_array($analyte, Analytes::codes(), true)) {
            throw new BadOption('no_analyte', [
                'analyte' => $analyte,
                'known' => implode(', ', Analytes::codes()),
            ]);
        }
        if ($confidence !== null && ! ($confidence > 0.5 && $confidence < 1)) {
            throw new BadOption('confidence_out_of_bounds', ['confidence' => $confidence]);
        }
        $row = $table['analytes'][$analyte] ?? null;
        $needed = ['--thresholds' => $thresholds, '--allowable' => $allowable, '--change' => $change];
        $missing = array_keys(array_filter($needed, static fn (mixed $value): bool => $value === null));
        if ($row === null && $missing !== []) {
            throw new BadOption('no_default_policy', [
                'place' => implode(', ', $missing),
                'analyte' => $analyte,
            ]);
        }

        return Policy::of(
            $analyte,
            ActionLimits::of($thresholds ?? array_map(floatval(...), $row['thresholds'] ?? [])),
            $allowable ?? ($row['allowable'] ?? NAN),
            $change ?? ($row['change'] ?? NAN),
            $required ?? $table['required'],
            $confidence ?? $table['confidence'],
            $scale ?? Scale::from($row['scale'] ?? 'absolute'),
        );
    }
}
