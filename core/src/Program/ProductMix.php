<?php

declare(strict_types=1);

namespace HonestCore\Program;

use HonestCore\Blend\Blend;
use HonestCore\Blend\BlendProblem;

/**
 * The products that meet the need of a part: proposed, or as a person chose them, with what is short and what is over.
 *
 * Quantity and unit: lb an acre of each product, by its code.
 * Rule: elemental sulphur stands for itself and is no source of a nutrient; dolomitic lime where magnesium is low and not
 * where it is enough; no nitrate for crops that it harms; the cheapest where every product has a price, else the lightest.
 * Source: the mix is that of `blend:choose`.
 */
final readonly class ProductMix
{
    /** Rounding of amounts a person typed: what is over by less is nothing. */
    private const SLACK = 0.05;

    /**
     * @param array<string, float> $amounts
     * @param array<string, float> $supplied
     * @param array<string, float> $short
     * @param array<string, float> $over
     * @param list<string> $unwanted nutrients of which none may be brought, and the mix brings some
     * @param list<string> $reasons
     */
    private function __construct(
        public array $amounts,
        public array $supplied,
        public array $short,
        public array $over,
        public array $unwanted,
        public bool $isOwn,
        public array $reasons,
    ) {}

    /** @param array<string, ShelfProduct> $shelf by code */
    public static function of(
        ProgramNeed $need,
        ?float $sulphurLbPerAcre,
        PartResults $part,
        WantedCrop $crop,
        ProgramChoices $choices,
        array $shelf,
    ): self {
        $own = $choices->mix[$part->number] ?? null;
        $sulphur = $sulphurLbPerAcre > 0 && $own === null ? self::sulphur($sulphurLbPerAcre, $shelf) : [];
        $missing = $sulphurLbPerAcre > 0 && $own === null && $sulphur === [] ? ['No elemental sulphur is on the shelf.'] : [];
        [$usable, $why] = self::usable($part, $crop, $choices, $shelf, $own !== null);
        if ($own !== null) {
            return self::weighed($need, $own, $shelf);
        }
        if ($need->isNothing() || $usable === []) {
            return new self(
                $sulphur,
                array_fill_keys(array_keys($need->need), 0.0),
                $need->need,
                array_fill_keys(array_keys($need->need), 0.0),
                [],
                false,
                [...$missing, ...$need->isNothing() ? [] : ['Nothing of the shelf may be used here.']],
            );
        }
        $blend = Blend::of(self::problem($need, $usable));

        return self::from($blend, $need, $sulphur, false, [...$missing, ...$why, ...$need->reasons, ...$blend->reasons]);
    }

    /**
     * @param array<string, float> $own
     * @param array<string, ShelfProduct> $shelf
     */
    private static function weighed(ProgramNeed $need, array $own, array $shelf): self
    {
        $known = array_intersect_key(array_filter($own), $shelf);
        $blend = Blend::weighed(self::problem($need, $known === [] ? $shelf : array_intersect_key($shelf, $known)), $known);

        return self::from($blend, $need, [], true, ['Products and amounts as a person chose them.', ...$need->reasons]);
    }

    /**
     * @param array<string, float> $sulphur
     * @param list<string> $reasons
     */
    private static function from(Blend $blend, ProgramNeed $need, array $sulphur, bool $isOwn, array $reasons): self
    {
        $over = $blend->over();

        return new self(
            $blend->amounts + $sulphur,
            $blend->supplied(),
            $blend->short(),
            $over,
            array_values(
                array_filter($need->never, static fn (string $nutrient): bool => ($over[$nutrient] ?? 0.0) > self::SLACK),
            ),
            $isOwn,
            array_values(array_unique($reasons)),
        );
    }

    /** @param array<string, ShelfProduct> $products */
    private static function problem(ProgramNeed $need, array $products): BlendProblem
    {
        $prices = array_map(static fn (ShelfProduct $one): ?float => $one->pricePerLb(), $products);
        $all = ! in_array(null, $prices, true);

        return BlendProblem::of([
            'need' => $need->need,
            'never_above' => $need->never,
            'products' => array_values(
                array_map(
                    static fn (ShelfProduct $one): array => $one->forBlend($all ? $one->pricePerLb() ?? 1.0 : 1.0),
                    $products,
                ),
            ),
        ]);
    }

    /**
     * @param array<string, ShelfProduct> $shelf
     * @return array<string, float>
     */
    private static function sulphur(float $lbPerAcre, array $shelf): array
    {
        foreach ($shelf as $code => $product) {
            if ($product->kind === 'sulphur' && $product->isOn && ($product->grades['s'] ?? 0.0) > 0) {
                return [$code => ($lbPerAcre * 100) / $product->grades['s']];
            }
        }

        return [];
    }

    /**
     * What of the shelf may go on this part, and why something was left out.
     *
     * @param array<string, ShelfProduct> $shelf
     * @return array{array<string, ShelfProduct>, list<string>}
     */
    private static function usable(PartResults $part, WantedCrop $crop, ProgramChoices $choices, array $shelf, bool $isOwn): array
    {
        $low = SecondaryStep::magnesiumIsLow($part);
        $reasons = array_keys(
            array_filter([
                'Magnesium is low: of the limestones, dolomitic.' => $low === true,
                'Magnesium is enough: of the limestones, calcitic.' => $low === false,
                'No nitrate and no chloride: this crop is harmed by them.' => $crop->isAmmonium,
                'Organic products only.' => $choices->organicOnly,
                'Not every product has a price: chosen by the least mass, not by money.' => ! $isOwn &&
                    array_filter($shelf, static fn (ShelfProduct $one): bool => $one->isOn && $one->price === null) !== [],
            ]),
        );
        $usable = array_filter(
            $shelf,
            static fn (ShelfProduct $one, string $code): bool => $one->kind !== 'sulphur' &&
                ($choices->products === null ? $one->isOn : in_array($code, $choices->products, true)) &&
                (! $choices->organicOnly || $one->isOrganic) &&
                ! ($crop->isAmmonium && ($one->isNitrate || $one->kind === 'chloride')) &&
                ($choices->products !== null || self::fitsMagnesium($one, $low)),
            ARRAY_FILTER_USE_BOTH,
        );

        return [$usable, $reasons];
    }

    /** Dolomite brings magnesium with its lime; what is no limestone always fits. */
    private static function fitsMagnesium(ShelfProduct $product, ?bool $low): bool
    {
        $isDolomitic = $product->kind === 'lime' && ($product->grades['mg'] ?? 0.0) >= 5;

        return match ($low) {
            true => $product->kind !== 'lime' || $isDolomitic,
            false => ! $isDolomitic,
            null => true,
        };
    }
}
