<?php

declare(strict_types=1);

namespace HonestCore\Program;

use HonestCore\Agreement\Words;
use HonestCore\Amounts\NitrogenRate;

/**
 * Nitrogen by crop less its credits, or by a nitrate test made for it.
 *
 * Quantity and unit: lb N an acre, in dressings by days after planting.
 * Rule: nobody is asked for a nitrogen soil test that says nothing; a nitrate test counts under its own protocol alone.
 * Source: NitrogenRate, NitrogenSplits, WantedCrop.
 */
final class NitrogenStep
{
    /** lb N a dressing that sands hold (the contract's default). */
    private const CAP = 30.0;

    /** Crops that the nitrate test was made for. */
    private const NITRATE_CROPS = ['corn', 'sweet-corn'];

    /** @return list<ProgramLine> */
    public static function lines(PartResults $part, WantedCrop $crop, ProgramChoices $choices): array
    {
        $heard = self::nitrate($part, $crop, $choices);
        if ($heard?->tested !== null) {
            $tested = $heard->tested;
            $rate = NitrogenRate::byNitrate($tested->value, $tested->layer->inWholeInches(), ($tested->expanded ?? 0.0) / 2);

            return [
                new ProgramLine(
                    'n',
                    $rate->lbPerAcre === null ? 'unknown' : ($rate->lbPerAcre > 0 ? 'amount' : 'zero'),
                    $rate->lbPerAcre === null ? 'Nitrogen: this test cannot size it' : 'Nitrogen, N, side-dressed',
                    "{$heard->shown()}.",
                    $rate->lbPerAcre,
                    $rate->interval,
                    $heard->claim(),
                    $heard->from,
                    $heard->sure(),
                    $rate->lbPerAcre === null ? 'A composite of 0-12 in, kept cold.' : 'Rain after the composite was pulled.',
                    $rate->reasons,
                ),
            ];
        }

        return [self::byCrop($crop, $choices)];
    }

    private static function byCrop(WantedCrop $crop, ProgramChoices $choices): ProgramLine
    {
        $rate = NitrogenRate::byCrop($crop->nitrogenNeed(), $choices->credits);
        $credits = array_filter($choices->credits->toArray());

        return new ProgramLine(
            'n',
            ($rate->lbPerAcre ?? 0.0) > 0 ? 'amount' : 'zero',
            ($rate->lbPerAcre ?? 0.0) > 0 ? 'Nitrogen, N' : 'No nitrogen',
            ucfirst($crop->name).' needs '.Words::trim($crop->nitrogenNeed(), 1).' lb/acre'.
                ($credits === []
                    ? '; no credits were given.'
                    : ', less '.
                        implode(', ', array_map(
                            static fn (string $what, float $pounds): string => Words::trim($pounds, 1)." lb/acre from {$what}",
                            array_keys($credits),
                            $credits,
                        )).'.'),
            $rate->lbPerAcre,
            null,
            'table',
            'The table of crops',
            'A table says nothing of how sure it is.',
            'Legumes before it, manure, nitrate in the water: give them as credits.',
            array_values(array_filter([...$rate->reasons, $crop->nitrogenWhy()])),
        );
    }

    /** The nitrate test that sizes it; null where it is sized by the crop. */
    private static function nitrate(PartResults $part, WantedCrop $crop, ProgramChoices $choices): ?Heard
    {
        return $choices->byNitrate && in_array($crop->code, self::NITRATE_CROPS, true) ? $part->of('no3n') : null;
    }

    /**
     * When it goes on and how much each time; a day of null is for small dressings without a day of their own. What a nitrate test
     * sizes is side-dressed at once.
     *
     * @return list<array{day: float|null, lb_per_acre: float}>
     */
    public static function dressings(float $lbPerAcre, PartResults $part, WantedCrop $crop, ProgramChoices $choices): array
    {
        $usual = $lbPerAcre <= 0 ? [] : $crop->nitrogenSplits()->of($lbPerAcre, $part->value('cec'), self::CAP);
        $last = end($usual);

        return $last !== false && $last['day'] !== null && self::nitrate($part, $crop, $choices)?->tested !== null
            ? [['day' => $last['day'], 'lb_per_acre' => $lbPerAcre]]
            : $usual;
    }
}
