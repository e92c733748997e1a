<?php

declare(strict_types=1);

namespace HonestCore\Blend;

use HonestCore\Error\BadTable;

/**
 * What a mix is chosen from: needs, what may not be exceeded, and the products at hand.
 *
 * Quantity and unit: needs in units of mass, 0 or more. A nutrient of `neverAbove`, or whose need is 0, may not be
 * exceeded.
 */
final readonly class BlendProblem
{
    /**
     * @param non-empty-array<string, float> $need by nutrient
     * @param list<string> $neverAbove
     * @param non-empty-list<BlendProduct> $products
     */
    private function __construct(public array $need, public array $neverAbove, public array $products) {}

    /** @throws BadTable */
    public static function parse(string $json): self
    {
        $given = json_decode((string) preg_replace('/^\xEF\xBB\xBF/', '', $json), true, 16);

        return is_array($given) ? self::of($given) : throw new BadTable('file_no_json_object');
    }

    /**
     * @param array<mixed> $given need, never_above and products
     *
     * @throws BadTable
     */
    public static function of(array $given): self
    {
        $unknown = array_diff(array_keys($given), ['need', 'never_above', 'products']);
        if ($unknown !== []) {
            throw new BadTable('field_not_asked', ['known' => implode('", "', $unknown)]);
        }

        return new self(
            self::need($given['need'] ?? null),
            self::neverAbove($given['never_above'] ?? [], $given['need'] ?? null),
            self::products($given['products'] ?? null),
        );
    }

    public function mayExceed(string $nutrient): bool
    {
        return ($this->need[$nutrient] ?? 0.0) > 0 && ! in_array($nutrient, $this->neverAbove, true);
    }

    /**
     * @return non-empty-array<string, float>
     *
     * @throws BadTable
     */
    private static function need(mixed $given): array
    {
        if (! is_array($given) || $given === [] || array_is_list($given)) {
            throw new BadTable('no_need');
        }
        $need = [];
        foreach ($given as $nutrient => $amount) {
            if (! in_array($nutrient, BlendProduct::NUTRIENTS, true)) {
                throw new BadTable('need_no_nutrient', [
                    'nutrient' => $nutrient,
                    'known' => implode(', ', BlendProduct::NUTRIENTS),
                ]);
            }
            $need[$nutrient] = BlendProduct::number($amount, "the need of {$nutrient}");
        }

        return $need;
    }

    /**
     * @return list<string>
     *
     * @throws BadTable
     */
    private static function neverAbove(mixed $given, mixed $need): array
    {
        if (! is_array($given) || ! array_is_list($given)) {
            throw new BadTable('never_above_no_list');
        }
        foreach ($given as $nutrient) {
            if (! is_string($nutrient) || ! is_array($need) || ! array_key_exists($nutrient, $need)) {
                throw new BadTable('never_above_without_need', [
                    'nutrient' => is_string($nutrient) ? "\"{$nutrient}\"" : 'something',
                ]);
            }
        }

        /** @var list<string> $given */
        return $given;
    }

    /**
     * @return non-empty-list<BlendProduct>
     *
     * @throws BadTable
     */
    private static function products(mixed $given): array
    {
        if (! is_array($given) || $given === [] || ! array_is_list($given)) {
            throw new BadTable('no_products');
        }
        $products = array_map(BlendProduct::fromArray(...), $given, array_keys($given));
        $names = array_map(static fn (BlendProduct $one): string => $one->name, $products);
        $twice = array_diff_key($names, array_unique($names));

        return $twice === []
            ? $products
            : throw new BadTable('product_twice', ['name' => reset($twice)]);
    }
}
