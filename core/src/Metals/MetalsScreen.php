<?php

declare(strict_types=1);

namespace HonestCore\Metals;

use HonestCore\Error\BadRow;
use HonestCore\Error\BadTable;
use HonestCore\Error\Bounds;
use HonestCore\Error\ValueOutOfRange;
use HonestCore\Statistics\Spread;
use HonestCore\Statistics\StudentT;
use HonestCore\Table\CsvTable;
use HonestCore\Table\Number;

/**
 * Is the mean of this ground below a limit?
 *
 * Quantity and unit: ppm. A value below a bound counts as the bound, and is counted as censored.
 * Domain: values above 0; limit above 0; confidence between 0 and 1; a composite of 1 core or more.
 * Variant: one-sided t bounds of the mean; where the sd of the natural logs is above 0.5 Chebyshev's too, and the
 * larger decides.
 *   Fewer than 3 values, or more than half of them censored, have no bounds.
 * Source: the contract of `metals:screen`; bounds as in any handbook of environmental statistics.
 */
final readonly class MetalsScreen
{
    private const SKEWED_FROM = 0.5;

    private const FEWEST = 3;

    /**
     * @param 'below'|'above'|'too_close'|'too_few' $answer
     * @param 't'|'chebyshev'|null $uclBy
     * @param list<string> $reasons
     */
    private function __construct(
        public int $n,
        public int $censored,
        public float $mean,
        public ?float $sd,
        public ?float $logSd,
        public ?float $ucl,
        public ?float $lcl,
        public ?string $uclBy,
        public float $limit,
        public string $answer,
        public float $maximum,
        public float $oneCoreUpTo,
        public float $hiddenFrom,
        public array $reasons,
    ) {}

    /**
     * @return list<array{float, bool}> value, and whether it is a bound
     *
     * @throws BadTable
     * @throws BadRow
     */
    public static function parse(string $text): array
    {
        $values = [];
        foreach (CsvTable::parse($text, ['value'])->rows as $row => $cells) {
            $cell = trim($cells['value']);
            $below = str_starts_with($cell, '<');
            $value = Number::parse($below ? substr($cell, 1) : $cell);
            if ($value === null || $value <= 0) {
                throw new BadRow('no_metal_value', ['place' => $row, 'cell' => $cell]);
            }
            $values[] = [$value, $below];
        }

        return $values;
    }

    /**
     * @param list<array{float, bool}> $values
     *
     * @throws ValueOutOfRange
     */
    public static function of(
        array $values,
        float $limit,
        float $confidence = 0.95,
        int $cores = 1,
        float $background = 0.0,
    ): self {
        if ($values === []) {
            throw new ValueOutOfRange('number_values', ['value' => 0, 'low' => 1]);
        }
        Bounds::between('metal_limit', $limit, 0, INF, ['unit' => 'ppm']);
        Bounds::between('confidence', $confidence, 0, 1);
        Bounds::within('cores_or_background', $cores, 1, INF);
        Bounds::within('cores_or_background', $background, 0, INF);
        $numbers = array_column($values, 0);
        $n = count($numbers);
        $censored = count(array_filter($values, static fn (array $one): bool => $one[1]));
        [$mean, $sd] = [Spread::mean($numbers), Spread::standardDeviation($numbers)];
        $logSd = Spread::standardDeviation(array_map(static fn (float $value): float => log($value), $numbers));
        [$ucl, $lcl, $by] = [null, null, null];
        if ($n >= self::FEWEST && 2 * $censored <= $n && $sd !== null && $logSd !== null) {
            $reach = (StudentT::quantile($confidence, $n - 1) * $sd) / sqrt($n);
            [$ucl, $lcl, $by] = [$mean + $reach, $mean - $reach, 't'];
            $wide = $mean + (sqrt(1 / (1 - $confidence) - 1) * $sd) / sqrt($n);
            if ($logSd > self::SKEWED_FROM && $wide > $ucl) {
                [$ucl, $by] = [$wide, 'chebyshev'];
            }
        }
        $answer = match (true) {
            $ucl === null => $n >= self::FEWEST && max($numbers) < $limit ? 'below' : 'too_few',
            $ucl < $limit => 'below',
            $lcl >= $limit => 'above',
            default => 'too_close',
        };

        return new self(
            $n,
            $censored,
            $mean,
            $sd,
            $logSd,
            $ucl,
            $lcl,
            $by,
            $limit,
            $answer,
            max($numbers),
            $cores * $mean - ($cores - 1) * $background,
            ($limit + ($cores - 1) * $background) / $cores,
            self::reasons($answer, $n, $censored, $by, $ucl === null, $cores),
        );
    }

    /** @return list<string> */
    private static function reasons(string $answer, int $n, int $censored, ?string $by, bool $none, int $cores): array
    {
        return [
            ...array_keys(
                array_filter([
                    'Fewer than 3 values say nothing of a mean.' => $n < self::FEWEST,
                    'More than half of the values lie below a bound, so that the mean has no bounds; every value is '.
                        'compared instead.' => $none && $n >= self::FEWEST,
                    "{$censored} of {$n} values are bounds and count as such." => $censored > 0,
                    'The values are skewed: the upper bound is Chebyshev\'s, which assumes no shape.' => $by === 'chebyshev',
                    'A composite hides its highest core: see what one core of it may hold.' => $cores > 1,
                    'Too close to call: more samples would narrow it.' => $answer === 'too_close',
                ]),
            ),
            'Limits are set by public authorities and have been lowered over the years: ask your health department, '.
                'whatever this says.',
        ];
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'n' => $this->n,
            'censored' => $this->censored,
            'mean' => $this->mean,
            'sd' => $this->sd,
            'log_sd' => $this->logSd,
            'ucl' => $this->ucl,
            'lcl' => $this->lcl,
            'ucl_by' => $this->uclBy,
            'limit' => $this->limit,
            'answer' => $this->answer,
            'maximum' => $this->maximum,
            'one_core_up_to' => $this->oneCoreUpTo,
            'hidden_from' => $this->hiddenFrom,
            'reasons' => $this->reasons,
        ];
    }
}
