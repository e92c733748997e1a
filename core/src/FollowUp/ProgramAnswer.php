<?php

declare(strict_types=1);

namespace HonestCore\FollowUp;

use HonestCore\Agreement\Words;
use HonestCore\Analyte\Analyte;
use HonestCore\Analyte\SoilUnit;
use HonestCore\Response\DressingResponse;
use HonestCore\Table\Fields;
use HonestCore\Table\RuleTable;

/**
 * Did what was spread do what its school expected? The answer of one line of a signed program after its retest.
 *
 * Quantity and unit: changes in the home unit of the analyte; rates in lb an acre of what the line is of.
 * Rule: the word is that of `response:check`. No word is said where nobody noted that it was spread, where nothing was pulled
 * since, across a break of the series, and before what was spread has had its time.
 * Source: `response:check`; data/follow-up.json.
 */
final readonly class ProgramAnswer
{
    /** States in which there is no word yet. */
    public const WAITING = ['not_spread', 'unknown_rate', 'no_before', 'no_after'];

    /**
     * @param 'answered'|'broken'|'early'|'not_spread'|'unknown_rate'|'no_before'|'no_after' $state
     * @param list<string> $reasons
     */
    private function __construct(
        public string $state,
        public string $word,
        public ?float $expected,
        public ?DressingResponse $response,
        public ?SeriesPoint $before,
        public ?SeriesPoint $after,
        public ?RetestDesign $design,
        public array $reasons,
    ) {}

    /** The same with more reasons, behind the first. */
    public function saying(string ...$why): self
    {
        return new self(
            $this->state,
            $this->word,
            $this->expected,
            $this->response,
            $this->before,
            $this->after,
            $this->design,
            [...array_slice($this->reasons, 0, 1), ...array_values($why), ...array_slice($this->reasons, 1)],
        );
    }

    /** @param 'not_spread'|'unknown_rate'|'no_before'|'no_after' $state */
    public static function waiting(string $state, ?float $expected, ?SeriesPoint $before, string $why): self
    {
        return new self($state, '', $expected, null, $before, null, null, [$why]);
    }

    /**
     * @param string $key what the line is of: lime, sulphur, p2o5, k2o
     * @param float|null $expected change, for what was really spread
     * @param array{SeriesPoint, SeriesPoint}|null $control before and after
     * @param string $lastSpread the day, Y-m-d
     */
    public static function of(
        string $key,
        ?float $expected,
        string $lastSpread,
        SeriesPoint $before,
        SeriesPoint $after,
        ?array $control,
        ?ResultScatter $scatter,
        int $cores,
    ): self {
        $rules = new Fields(RuleTable::named('follow-up'));
        $expected = $expected === null || abs($expected) < 1e-9 ? null : $expected;
        $design = self::design($expected, $before, $control[0] ?? null, $scatter, $cores);
        $said = $scatter === null ? ['Nobody stated how results of this lab scatter.'] : [$scatter->words()];
        $breaks = [
            ...$after->breaksFrom($before, $rules->whole('same_season_days')),
            ...$control === null ? [] : array_map(
                static fn (string $why): string => "Control: {$why}",
                $control[1]->breaksFrom($control[0], $rules->whole('same_season_days')),
            ),
        ];
        if ($breaks !== []) {
            return new self('broken', 'cannot_tell', $expected, null, $before, $after, $design, [
                ...$breaks, 'Nothing is compared across a break.',
            ]);
        }
        $compared = Compared::of($before, $after, $control[0] ?? null, $control[1] ?? null, $scatter?->u($cores));
        $response = DressingResponse::of($compared->plots, $expected, $compared->u);
        $works = new Fields($rules->row('works_days'));
        $wanted = $works->has($key) ? $works->whole($key) : $works->whole('other');
        $days = (int) (new \DateTimeImmutable($lastSpread))->diff(new \DateTimeImmutable($after->on))->days;
        $reasons = [...$response->reasons, ...$said, ...$expected === null ? ['No school said what it would change.'] : []];

        return $days < $wanted
            ? new self('early', 'cannot_tell', $expected, $response, $before, $after, $design, [
                "Pulled {$days} days after it was spread: it wants {$wanted} to show.", ...$reasons,
            ])
            : new self('answered', $response->word, $expected, $response, $before, $after, $design, $reasons);
    }

    private static function design(
        ?float $expected,
        SeriesPoint $before,
        ?SeriesPoint $control,
        ?ResultScatter $scatter,
        int $cores,
    ): ?RetestDesign {
        if ($expected === null || $scatter === null) {
            return null;
        }
        $variance = $scatter->u($cores) ** 2 * (1 / count($before->values) + ($control === null ? 0.0 : 1 / count($control->values)));

        return RetestDesign::of($expected, $variance, $scatter->coreSd, $scatter->labSd, $control === null ? 1 : 2, $cores);
    }

    /** The answer in one sentence. */
    public function sentence(Analyte $analyte): string
    {
        $unit = $analyte->isUnitless() ? '' : ' '.SoilUnit::named($analyte->homeUnit)->symbol();
        $change = static function (float $value) use ($analyte, $unit): string {
            $text = Words::trim($value, $analyte->digits);

            return ($value > 0 && $text !== '0' ? '+' : '').$text.$unit;
        };
        $seen = $this->response === null ? '' : $change($this->response->difference);
        $wanted = $this->expected === null ? '' : $change($this->expected);

        return match (true) {
            $this->response === null => $this->reasons[0] ?? '',
            $this->state === 'early' => "Too early: {$seen} so far.",
            default => match ($this->word) {
                'as_expected' => "As expected: {$seen} against {$wanted}.",
                'less' => "Less than expected: {$seen} against {$wanted}.",
                'more' => "More than expected: {$seen} against {$wanted}.",
                'not_seen' => $wanted === '' ? "No change is seen: {$seen}." : "Not seen: {$seen} against {$wanted}.",
                'changed' => "It changed by {$seen}; no school had said how much.",
                'no_control' => "{$seen}, and no control to hold it against".($wanted === '' ? '.' : "; {$wanted} was expected."),
                default => "Cannot tell: {$seen} against {$wanted}.",
            },
        };
    }
}
