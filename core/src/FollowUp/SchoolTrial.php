<?php

declare(strict_types=1);

namespace HonestCore\FollowUp;

use HonestCore\Program\LocalFactor;
use HonestCore\Statistics\ChiSquare;
use HonestCore\Statistics\Spread;
use HonestCore\Statistics\StudentT;
use HonestCore\Table\Fields;
use HonestCore\Table\RuleTable;

/**
 * One school's word against what the ground did, over all programs that were answered beside a control.
 *
 * Quantity and unit: the analyte's unit; bias is observed minus expected. The factor is the share observed of expected.
 * Variant: bias with Student's t (R's t.test of the differences), spread with divisor n - 1 and chi-square; the factor by least
 * squares through the origin with t of n - 1 (R's lm(observed ~ expected - 1)).
 * Rule: from when on a factor is offered stands in data/follow-up.json, written before the data. Its error is foretold for each
 * program from the others alone.
 * Domain: intervals from 2 programs on; expected changes other than 0.
 */
final readonly class SchoolTrial
{
    /**
     * @param array{float, float}|null $biasInterval
     * @param array{float, float}|null $sdInterval
     * @param array{float, float}|null $factorInterval
     * @param list<string> $missing what the rule still asks for; empty where a factor is offered
     */
    private function __construct(
        public string $school,
        public int $programs,
        public ?float $bias,
        public ?array $biasInterval,
        public ?float $sd,
        public ?array $sdInterval,
        public ?float $factor,
        public ?array $factorInterval,
        public ?float $error,
        public ?float $errorWithFactor,
        public array $missing,
    ) {}

    /** @param list<TriedProgram> $tried of one school */
    public static function of(string $school, array $tried): self
    {
        $rules = new Fields((new Fields(RuleTable::named('follow-up')))->row('local_factor'));
        $confidence = $rules->number('confidence');
        $n = count($tried);
        if ($n === 0) {
            return new self($school, 0, null, null, null, null, null, null, null, null, self::missing([], null, null, null, null, $rules));
        }
        $off = array_map(static fn (TriedProgram $one): float => $one->observed - $one->expected, $tried);
        $bias = Spread::mean($off);
        $sd = Spread::standardDeviation($off);
        $seen = $sd !== null && $sd > 1e-12;
        $t = $n > 1 ? StudentT::quantile(1 - (1 - $confidence) / 2, $n - 1) : NAN;
        $factor = self::factorOf($tried);
        $left = array_map(static fn (TriedProgram $one): float => $one->observed - $factor * $one->expected, $tried);
        $half = $n > 1 ? $t * sqrt(self::squares($left) / ($n - 1) / self::squares(self::expectedOf($tried))) : NAN;
        $interval = $n > 1 && self::squares($left) > 1e-18 ? [$factor - $half, $factor + $half] : null;
        $error = sqrt(self::squares($off) / $n);
        $foretold = $n > 1 ? sqrt(self::squares(self::foretold($tried)) / $n) : null;

        return new self(
            $school,
            $n,
            $bias,
            $seen ? [$bias - ($t * $sd) / sqrt($n), $bias + ($t * $sd) / sqrt($n)] : null,
            $sd,
            $seen ? self::spread($sd, $n - 1, $confidence) : null,
            $factor,
            $interval,
            $error,
            $foretold,
            self::missing($tried, $factor, $interval, $error, $foretold, $rules),
        );
    }

    /** The factor, where the rule lets it be offered. */
    public function offered(): ?LocalFactor
    {
        return $this->missing === [] && $this->factor !== null && $this->factorInterval !== null
            ? LocalFactor::fromRow([
                'school' => $this->school,
                'factor' => $this->factor,
                'programs' => $this->programs,
                'interval' => $this->factorInterval,
            ])
            : null;
    }

    /**
     * What each program leaves when the others alone foretell it.
     *
     * @param list<TriedProgram> $tried
     * @return list<float>
     */
    private static function foretold(array $tried): array
    {
        $left = [];
        foreach ($tried as $i => $one) {
            $others = $tried;
            unset($others[$i]);
            $left[] = $one->observed - self::factorOf(array_values($others)) * $one->expected;
        }

        return $left;
    }

    /** @param list<TriedProgram> $tried */
    private static function factorOf(array $tried): float
    {
        $both = array_map(static fn (TriedProgram $one): float => $one->expected * $one->observed, $tried);

        return array_sum($both) / self::squares(self::expectedOf($tried));
    }

    /**
     * @param list<TriedProgram> $tried
     * @return list<float>
     */
    private static function expectedOf(array $tried): array
    {
        return array_map(static fn (TriedProgram $one): float => $one->expected, $tried);
    }

    /** @param list<float> $values */
    private static function squares(array $values): float
    {
        return array_sum(array_map(static fn (float $one): float => $one ** 2, $values));
    }

    /** @return array{float, float} */
    private static function spread(float $sd, int $df, float $confidence): array
    {
        $tail = (1 - $confidence) / 2;

        return [$sd * sqrt($df / ChiSquare::quantile(1 - $tail, $df)), $sd * sqrt($df / ChiSquare::quantile($tail, $df))];
    }

    /**
     * @param list<TriedProgram> $tried
     * @param array{float, float}|null $interval
     * @return list<string>
     */
    private static function missing(
        array $tried,
        ?float $factor,
        ?array $interval,
        ?float $error,
        ?float $foretold,
        Fields $rules,
    ): array {
        $n = count($tried);
        $seasons = count(array_unique(array_map(static fn (TriedProgram $one): int => $one->season, $tried)));
        [$programs, $years] = [$rules->whole('fewest_programs'), $rules->whole('fewest_seasons')];
        if ($n === 0) {
            return ["0 of {$programs} programs answered beside a control."];
        }
        $better = $error !== null && $foretold !== null && $foretold <= (1 - $rules->number('better_by')) * $error;

        return array_values(
            array_filter([
                $n >= $programs ? '' : "{$n} of {$programs} programs answered beside a control.",
                $seasons >= $years ? '' : "{$seasons} of {$years} seasons.",
                $interval !== null && ($interval[0] > 1 || $interval[1] < 1) ? '' : 'Its interval does not leave 1 out.',
                $factor !== null && $factor >= $rules->number('low') && $factor <= $rules->number('high')
                    ? ''
                    : 'The factor does not lie between '.$rules->number('low').' and '.$rules->number('high').'.',
                $better ? '' : 'Foretold from the others alone, the programs do not come out 10 % better with it.',
            ], static fn (string $one): bool => $one !== ''),
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'school' => $this->school,
            'programs' => $this->programs,
            'bias' => $this->bias,
            'bias_interval' => $this->biasInterval,
            'sd' => $this->sd,
            'sd_interval' => $this->sdInterval,
            'factor' => $this->factor,
            'factor_interval' => $this->factorInterval,
            'error' => $this->error,
            'error_with_factor' => $this->errorWithFactor,
            'missing' => $this->missing,
        ];
    }
}
