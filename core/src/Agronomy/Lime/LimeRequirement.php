<?php

declare(strict_types=1);

namespace HonestCore\Agronomy\Lime;

use HonestCore\Agreement\Words;
use HonestCore\Error\ValueOutOfRange;
use HonestCore\Table\RuleTable;

/**
 * How much of a stone lifts the pH, by each school that a reading was given for; or why none, or why nothing may be
 * said.
 *
 * Quantity and unit: see SchoolRate.
 * Domain: at least one school's reading.
 * Source: the contract of `lime:rate`.
 */
final readonly class LimeRequirement
{
    /**
     * @param 'amount'|'none'|'stop'|'unable' $answer
     * @param list<SchoolRate> $schools
     * @param list<string> $reasons
     */
    private function __construct(
        public string $answer,
        public float $depthIn,
        public float $effectiveness,
        public array $schools,
        public array $reasons,
    ) {}

    /** @throws ValueOutOfRange without any school's reading */
    public static function of(LimeQuestion $asked): self
    {
        if ($asked->readings === []) {
            throw new ValueOutOfRange('no_school_reading');
        }
        $schools = array_values(
            array_filter(
                LimeSchool::cases(),
                static fn (LimeSchool $school): bool => isset($asked->readings[$school->value]),
            ),
        );
        $reasons = self::layer($asked);
        /** @var array{organic_matter_most: float|int} $table */
        $table = RuleTable::named('lime-schools');
        $organic = $asked->organicMatter !== null && $asked->organicMatter > $table['organic_matter_most'];
        [$early, $why] = match (true) {
            $asked->sampled->topCm > 0 => [
                'unable',
                "The sample stands for {$asked->sampled->text()}, which does not begin at the surface: lime is not ".
                    'sized from it.',
            ],
            $organic => [
                'stop',
                'Organic soil: '.
                Words::trim((float) $asked->organicMatter).
                ' % organic matter. Tables for mineral soils do not hold.',
            ],
            $asked->ph >= $asked->target => ['none', 'The pH is at its target or above: no lime.'],
            default => [null, ''],
        };
        if ($early !== null) {
            $still = static fn (LimeSchool $school): SchoolRate => SchoolRate::still(
                $asked,
                $school,
                $asked->readings[$school->value],
                $early === 'none' ? 0.0 : null,
            );

            return new self($early, $asked->depthIn(), $asked->material->effectiveness(), array_map($still, $schools), [
                $why,
                ...$reasons,
            ]);
        }
        $rates = array_map(
            static fn (LimeSchool $school): SchoolRate => SchoolRate::of(
                $asked,
                $school,
                $asked->readings[$school->value],
            ),
            $schools,
        );
        $known = array_filter($rates, static fn (SchoolRate $rate): bool => $rate->tons !== null);
        $answer = match (true) {
            $known === [] => 'unable',
            array_filter($known, static fn (SchoolRate $rate): bool => $rate->tons > 0) === [] => 'none',
            default => 'amount',
        };
        $reasons = [
            ...$answer === 'unable'
                ? ['No school that has a reading can size lime for this.']
                : ($answer === 'none'
                    ? ['No school finds acidity to neutralise.']
                    : []),
            ...$reasons,
            ...self::apart($known),
        ];

        return new self($answer, $asked->depthIn(), $asked->material->effectiveness(), $rates, $reasons);
    }

    /** @return list<string> */
    private static function layer(LimeQuestion $asked): array
    {
        /** @var array{made_for_in: array{float|int, float|int}} $table */
        $table = RuleTable::named('lime-schools');
        [$from, $to] = $table['made_for_in'];
        $bottom = $asked->bottomIn();
        $reasons = [];
        if ($asked->mixedIn !== null && abs($asked->mixedIn - $bottom) > 1e-9) {
            $reasons[] =
                'Sized for '.
                Words::trim($asked->depthIn(), 2).
                ' in: the sample stands for '.
                Words::trim($bottom, 2).
                ' in and the lime is mixed to '.
                Words::trim($asked->mixedIn, 2).
                ' in.';
        }
        if ($asked->sampled->topCm === 0.0 && ($bottom < $from || $bottom > $to)) {
            $reasons[] =
                "The schools' tables are made for samples of about {$from} to {$to} in, and this one stands for ".
                Words::trim($bottom, 2).
                ' in: take it as a first figure.';
        }

        return $reasons;
    }

    /**
     * @param array<int, SchoolRate> $known
     * @return list<string>
     */
    private static function apart(array $known): array
    {
        $tons = array_map(static fn (SchoolRate $rate): float => $rate->tons ?? 0.0, $known);

        return count($tons) > 1 && max($tons) > 0 && max($tons) - min($tons) > 0.25 * max($tons)
            ? ['The schools differ by more than a quarter: start with the smaller amount and test again.']
            : [];
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'answer' => $this->answer,
            'depth_in' => $this->depthIn,
            'effectiveness' => $this->effectiveness,
            'schools' => array_map(static fn (SchoolRate $rate): array => $rate->toArray(), $this->schools),
            'reasons' => $this->reasons,
        ];
    }
}
