<?php

declare(strict_types=1);

namespace HonestCore\Program;

use HonestCore\Agreement\Words;
use HonestCore\Amounts\NutrientQuestion;
use HonestCore\Amounts\NutrientRate;
use HonestCore\Quantity\DepthLayer;

/**
 * Phosphate and potash by the school that was chosen, in the extractant that the limits belong to.
 *
 * Quantity and unit: lb of P2O5 or K2O an acre for this year.
 * Rule: over the optimum none, and no product may bring any; a test that only sorts gives a direction, nothing else one.
 * Source: NutrientRate, WantedCrop.
 */
final class NutrientStep
{
    private const OXIDES = ['p' => ['p2o5', 'P2O5', 'Phosphate'], 'k' => ['k2o', 'K2O', 'Potash']];

    /** @return list<ProgramLine> */
    public static function lines(PartResults $part, WantedCrop $crop, ProgramChoices $choices): array
    {
        return [self::line('p', $part, $crop, $choices), self::line('k', $part, $crop, $choices)];
    }

    /** @param 'p'|'k' $code */
    private static function line(string $code, PartResults $part, WantedCrop $crop, ProgramChoices $choices): ProgramLine
    {
        [$key, $oxide, $name] = self::OXIDES[$code];
        $heard = $part->of($code);
        if ($heard === null || $heard->claim() === 'none') {
            return new ProgramLine(
                $key,
                'unknown',
                "{$name}: not known",
                $heard === null || $heard->shown() === ''
                    ? 'Nothing was measured that could be built on.'
                    : "{$heard->shown()}, and nothing of it stands.",
                from: $heard->from ?? '',
                sure: $heard?->sure() ?? '',
                changes: self::next($code),
            );
        }
        if ($heard->tested === null) {
            return new ProgramLine(
                $key,
                'direction',
                "{$name}: a direction only",
                ucfirst((string) $heard->kit?->action).": {$heard->shown()}.",
                claim: 'sort',
                from: $heard->from,
                sure: $heard->sure(),
                changes: self::next($code),
            );
        }
        $asked = $crop->question($code, $heard->tested, $part->value('cec'), $choices->yield, $choices->bySufficiency, $choices->years);
        if ($asked === null) {
            $by = $heard->tested->extractant === '' ? 'an extractant that is not known' : $heard->tested->extractant;

            return new ProgramLine(
                $key,
                'unknown',
                "{$name}: no limits",
                "{$heard->shown()}: there are no limits of {$crop->name} for {$by} here. Limits belong to their extractant.",
                claim: $heard->claim(),
                from: $heard->from,
                sure: $heard->sure(),
                changes: 'Limits of your own in the tables, with their source.',
            );
        }

        return self::sized($key, $oxide, $name, $heard, $asked, $crop);
    }

    private static function sized(
        string $key,
        string $oxide,
        string $name,
        Heard $heard,
        NutrientQuestion $asked,
        WantedCrop $crop,
    ): ProgramLine {
        $rate = NutrientRate::of($asked);
        $action = ['build' => 'build up', 'maintain' => 'maintain', 'none' => 'none'][$rate->class ?? ''] ?? 'not known';
        [$kind, $what] = match (true) {
            $rate->class === 'none' => ['zero', "No {$name}, and no product may bring any"],
            $rate->class === null => ['unknown', "{$name}: how much is not known"],
            $rate->lbPerAcre === null => ['unknown', "{$name}: {$action}, how much is not known"],
            $rate->lbPerAcre <= 0.0 => ['zero', "No {$name} this year"],
            default => ['amount', "{$name}, {$oxide}"],
        };
        $parts = $rate->build === null || $rate->removal === null || $kind !== 'amount'
            ? []
            : [
                'To build up '.Words::trim($rate->build, 1).' lb/acre, for what the crop removes '.
                Words::trim($rate->removal, 1).' lb/acre.',
            ];

        return (new ProgramLine(
            $key,
            $kind,
            str_replace(['No Phosphate', 'No Potash'], ['No phosphorus', 'No potassium'], $what),
            $rate->class === null ? "{$heard->shown()}." : ucfirst($action).": {$heard->shown()}, ".self::where($rate, $asked).'.',
            $rate->lbPerAcre,
            $kind === 'amount' ? $rate->between : null,
            $heard->claim(),
            $heard->from,
            $heard->sure(),
            match (true) {
                $rate->tooClose === true => 'A second composite: within its uncertainty the class is another.',
                $rate->class === 'none' => 'A retest in a year: the reserve lasts as long as the test says so.',
                $asked->removedEach === false && ! $asked->bySufficiency => 'The school of sufficiency has a figure for it.',
                $asked->yield === null && ! $asked->bySufficiency => 'The yield that is hoped for.',
                default => 'Another yield, or a test on the other side of a limit.',
            },
            [
                ...$parts,
                ...$rate->reasons,
                ...$asked->ownLimits !== null ? ["Limits of {$crop->name}, written from memory."] : [],
                $asked->bySufficiency
                    ? 'School: sufficiency. What pays this year, from nothing at test zero down to none at the critical level.'
                    : 'School: build up and maintain, over '.Words::trim($asked->years, 1).' years.',
            ],
        ))->expecting(self::expected($heard, $asked, $rate));
    }

    /** What building up says that the test will do: what goes beyond the removal lifts it, what falls short lets it down. */
    private static function expected(Heard $heard, NutrientQuestion $asked, NutrientRate $rate): ?ExpectedChange
    {
        $each = $asked->bySufficiency || $rate->lbPerAcre === null ? null : NutrientRate::each($asked);

        return $each === null || $rate->removal === null || $rate->removal <= 0.0 || $heard->tested === null
            ? null
            : new ExpectedChange(
                "build-{$asked->analyte}",
                $asked->analyte,
                $heard->tested->extractant,
                $heard->tested->value,
                $rate->removal,
                1 / $each,
            );
    }

    private static function where(NutrientRate $rate, NutrientQuestion $asked): string
    {
        $limits = NutrientRate::limitsOf($asked);

        return $limits === null
            ? ''
            : match ($rate->class) {
                'build' => 'below '.Words::trim($limits[0], 1),
                'maintain' => 'between '.Words::trim($limits[0], 1).' and '.Words::trim($limits[1], 1),
                default => 'at '.Words::trim($limits[1], 1).' or above',
            };
    }

    private static function next(string $code): string
    {
        return DepthLayer::ofInches(0, 6)->text().
            ($code === 'p' ? ': a lab\'s phosphorus by Mehlich-3.' : ': a lab\'s potassium by Mehlich-3, with the exchange capacity.');
    }
}
