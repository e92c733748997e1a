<?php

declare(strict_types=1);

namespace HonestCore\Amounts;

use HonestCore\Agreement\ActionLimits;
use HonestCore\Agreement\Call;
use HonestCore\Agreement\Verdict;
use HonestCore\Agreement\Words;
use HonestCore\Agronomy\Lime\KitDirection;
use HonestCore\Analyte\Analyte;
use HonestCore\Analyte\SoilUnit;
use HonestCore\Quantity\AreaRate;

/**
 * What may be recommended by an analyte other than pH: an amount or an action from a lab or a test whose rate stands,
 * a direction from a test whose sort stands, else nothing.
 *
 * Quantity and unit: limits in the home unit of the analyte; rates in lb an acre of N, P2O5 or K2O.
 * Convention: a result whose uncertainty reaches over a limit says so; limits of another extractant call for nothing.
 * Source: rates of data/nutrient-limits.json and data/nitrogen.json; what stands decides what is heard (the product's
 * own).
 */
final readonly class ActionAdvice
{
    /**
     * @param 'amount'|'action'|'direction'|'none' $kind
     * @param array{float|null, float|null}|null $between lb an acre, the least first
     * @param list<string> $reasons
     */
    private function __construct(
        public string $kind,
        public string $answer,
        public ?string $nutrient,
        public ?float $lbPerAcre,
        public ?array $between,
        public array $reasons,
        public string $next,
    ) {}

    /**
     * @param list<string> $actions of the classes, the lowest first
     * @param string $extractant that the limits are made for; empty where they hold for any
     * @param bool $limitsAreOwn has somebody set them, so that they go before the tables of rates?
     */
    public static function from(
        Analyte $analyte,
        ?TestedValue $tested,
        ?KitDirection $kit,
        ActionLimits $limits,
        array $actions,
        string $extractant,
        bool $limitsAreOwn,
        SizedFor $for,
    ): self {
        if ($tested === null) {
            return self::byTest($analyte, $kit, $extractant);
        }
        $shown = self::shown($analyte, $tested->value);
        if ($tested->test === '' && $extractant !== '' && $tested->extractant !== $extractant) {
            $by = $tested->extractant === '' ? 'an extractant that is not known' : $tested->extractant;

            return self::bare(
                'none',
                "Nothing: {$shown} is by {$by}, and the limits here are made for {$extractant}.",
                "A {$analyte->name} test by {$extractant}, or limits for {$by}.",
            );
        }
        $class = $limits->classOf($tested->value);
        $answer =
            ucfirst($actions[$class]).
            ": {$shown}".
            ($tested->test === '' ? '' : " by {$tested->test}, whose rate stands").
            ', '.
            $limits->name($class).
            '.';
        $reasons = self::doubts($analyte, $tested, $limits, $actions);
        $rate = self::rate($analyte, $tested, $limits, $limitsAreOwn, $for);
        if ($rate === null) {
            return new self(
                'action',
                $answer,
                null,
                null,
                null,
                $reasons,
                $class === $limits->classes() - 1 ? '' : self::missing($analyte, $for),
            );
        }
        [$nutrient, $pounds, $between, $why] = $rate;

        return new self(
            $pounds === null ? 'action' : 'amount',
            $answer,
            $nutrient,
            $pounds,
            $pounds === null ? null : $between,
            [...$reasons, ...$why],
            '',
        );
    }

    private static function byTest(Analyte $analyte, ?KitDirection $kit, string $extractant): self
    {
        $stands = $kit?->signed === Verdict::Stands;
        $lab = "A lab's {$analyte->name}".($extractant === '' ? '.' : " by {$extractant}.");

        return match (true) {
            $kit === null => self::bare('none', "Nothing: no {$analyte->name} result stands.", $lab),
            $kit->counts() => self::bare(
                'direction',
                ucfirst((string) $kit->action).
                    ", a direction only: {$kit->test} reads {$kit->band}, and its sort claim stands.",
                "{$lab} An amount needs it, or a test whose rate claim stands.",
            ),
            $kit->signed === null => self::bare(
                'none',
                "Nothing: {$kit->test} reads {$kit->band}, and no verdict on its sort claim has been signed.",
                $lab,
            ),
            $stands && $kit->silentOn !== '' => self::bare(
                'none',
                "Nothing: {$kit->test} reads {$kit->band}, and the verdict on its sort claim was not asked for {$kit->silentOn}.",
                $lab,
            ),
            $stands && $kit->tooClose !== '' => self::bare(
                'none',
                "Nothing: {$kit->test} reads {$kit->band}, too close to call: {$kit->tooClose}.",
                $lab,
            ),
            $kit->action === null => self::bare(
                'none',
                "Nothing: {$kit->test} reads {$kit->band}, which reaches over a limit.",
                $lab,
            ),
            ! $kit->inScope() => self::bare(
                'none',
                "Nothing: {$kit->test} reads {$kit->band}, outside the readings that its verdict rests on.",
                $lab,
            ),
            default => self::bare(
                'none',
                "Nothing: {$kit->test} reads {$kit->band}, and the verdict on its sort claim is \"{$kit->signed->value}\".",
                $lab,
            ),
        };
    }

    private static function bare(string $kind, string $answer, string $next): self
    {
        /** @var 'direction'|'none' $kind */
        return new self($kind, $answer, null, null, null, [], $next);
    }

    /**
     * @param list<string> $actions
     * @return list<string>
     */
    private static function doubts(Analyte $analyte, TestedValue $tested, ActionLimits $limits, array $actions): array
    {
        if ($tested->expanded === null) {
            return [
                'How sure the result is has not been stated for its lab, so whether it is too close to a limit is '.
                    'not known.',
            ];
        }
        $call = Call::ofValue($tested->value, $tested->expanded, $limits);
        [$low, $high] = [$call->classes[0], $call->classes[count($call->classes) - 1]];

        return $call->isTooClose()
            ? [
                'Too close to call: within ± '.
                self::shown($analyte, $tested->expanded).
                " it may be \"{$actions[$low]}\" or \"{$actions[$high]}\".",
            ]
            : [];
    }

    /**
     * @return array{string, float|null, array{float|null, float|null}, list<string>}|null nutrient, lb/acre, between
     *                                                                                     and why; null where no table of rates is for it
     */
    private static function rate(
        Analyte $analyte,
        TestedValue $tested,
        ActionLimits $limits,
        bool $limitsAreOwn,
        SizedFor $for,
    ): ?array {
        $crop = $for->crop();
        $u = ($tested->expanded ?? 0.0) / 2;
        if ($analyte->code === 'no3n' && $crop === 'corn') {
            $rate = NitrogenRate::byNitrate($tested->value, $tested->layer->inWholeInches(), $u);

            return ['N', $rate->lbPerAcre, $rate->interval ?? [null, null], $rate->reasons];
        }
        if (! in_array($analyte->code, ['p', 'k'], true) || $crop === null) {
            return null;
        }
        $own = $limitsAreOwn && count($limits->values) === 2 ? [$limits->values[0], $limits->values[1]] : null;
        $asked = NutrientQuestion::of(
            $analyte->code,
            $tested->value,
            $crop,
            yield: $for->yield,
            cec: $for->cec,
            ownLimits: $own,
            u: $u,
        );
        $rate = NutrientRate::of($asked);
        $words = $rate->class === null ? [] : [self::words($asked, $rate, $limits->classOf($tested->value))];
        // That it is too close is said already, in the words of the limits.
        $why = array_values(
            array_filter($rate->reasons, static fn (string $one): bool => ! str_starts_with($one, 'Too close to call')),
        );

        return [$analyte->code === 'p' ? 'P2O5' : 'K2O', $rate->lbPerAcre, $rate->between, [...$words, ...$why]];
    }

    /**
     * What a rate is made of, and whether the limits of its crop say otherwise than those that the analyte was sorted
     * by.
     */
    private static function words(NutrientQuestion $asked, NutrientRate $rate, int $class): string
    {
        $of = $asked->crop === 'alfalfa' ? 'tons' : 'bushels';
        $action = ['build' => 'build up', 'maintain' => 'maintain', 'none' => 'none'][$rate->class ?? 'none'];
        $otherwise =
            array_search($rate->class, ['build', 'maintain', 'none'], true) === $class
                ? ''
                : ', by limits of its own that go before those above';

        return "For {$asked->crop}".
            ($asked->yield === null ? '' : ' at '.Words::trim($asked->yield, 1)." {$of} an acre").
            ": {$action}{$otherwise}".
            ($rate->build > 0
                ? ', '.round($rate->build)." lb/acre a year for {$asked->years} years to build up"
                : '').
            ($rate->removal > 0 ? ', '.round($rate->removal).' lb/acre for what the crop removes' : '').
            '.';
    }

    private static function missing(Analyte $analyte, SizedFor $for): string
    {
        return match (true) {
            $analyte->code === 'no3n' && in_array('corn', $for->crops, true) => $for->crop() === null
                ? 'Choose the crop: for corn this test sizes a side-dressing.'
                : '',
            ! in_array($analyte->code, ['p', 'k'], true) => '',
            $for->crops === [] => 'No table of rates is for this use of ground: ask your extension office for an '.
                'amount.',
            default => 'Choose the crop and a yield: the amount hangs on both.',
        };
    }

    private static function shown(Analyte $analyte, float $value): string
    {
        return number_format($value, $analyte->digits).
            ($analyte->isUnitless() ? '' : ' '.SoilUnit::named($analyte->homeUnit)->symbol());
    }

    /**
     * @return array{kind: string, answer: string, nutrient: string|null, lb_per_acre: float|null,
     * lb_per_1000sqft: float|null, kg_per_ha: float|null, between: array{float|null, float|null}|null, reasons: list<string>,
     * next: string}
     */
    public function toArray(): array
    {
        return [
            'kind' => $this->kind,
            'answer' => $this->answer,
            'nutrient' => $this->nutrient,
            ...AreaRate::shown($this->lbPerAcre),
            'between' => $this->between,
            'reasons' => $this->reasons,
            'next' => $this->next,
        ];
    }
}
