<?php

declare(strict_types=1);

namespace HonestCore\Program;

/**
 * What all areas of a site need together, product by product, with its money.
 *
 * Quantity and unit: lb; bags are rounded up once for the whole, not area by area; money where a price was given.
 */
final class ShoppingList
{
    /**
     * @param list<array{area: string, product: string, lb: float}> $wanted
     * @param array<string, ShelfProduct> $shelf
     * @return array{lines: list<array<string, mixed>>, cost: float|null, without_price: list<string>}
     */
    public static function of(array $wanted, array $shelf): array
    {
        $pounds = $for = [];
        foreach ($wanted as $one) {
            $pounds[$one['product']] = ($pounds[$one['product']] ?? 0.0) + $one['lb'];
            $for[$one['product']][$one['area']] = ($for[$one['product']][$one['area']] ?? 0.0) + $one['lb'];
        }
        [$lines, $cost, $bare] = [[], 0.0, []];
        foreach ($pounds as $code => $all) {
            $line = self::line($code, $all, $for[$code] ?? [], $shelf[$code] ?? null);
            $bare = [...$bare, ...$line['cost'] === null ? [$line['name']] : []];
            $cost += $line['cost'] ?? 0.0;
            $lines[] = $line;
        }
        usort($lines, static fn (array $a, array $b): int => $a['name'] <=> $b['name']);

        return ['lines' => $lines, 'cost' => $lines === [] || count($bare) === count($lines) ? null : $cost, 'without_price' => $bare];
    }

    /**
     * @param array<string, float> $for pounds by area
     * @return array{product: string, name: string, lb: float, bag_lb: float|null, bags: int|null, cost: float|null,
     *     for: list<array{area: string, lb: float}>}
     */
    private static function line(string $code, float $all, array $for, ?ShelfProduct $product): array
    {
        $bags = $product?->bagLb === null ? null : (int) ceil($all / $product->bagLb - 0.01);
        $price = match (true) {
            $product?->price === null => null,
            $bags === null => ($product->pricePerLb() ?? 0.0) * $all,
            default => $bags * $product->price,
        };

        return [
            'product' => $code,
            'name' => $product->name ?? $code,
            'lb' => $all,
            'bag_lb' => $product?->bagLb,
            'bags' => $bags,
            'cost' => $price,
            'for' => array_map(
                static fn (string|int $area, float $lb): array => ['area' => (string) $area, 'lb' => $lb],
                array_keys($for),
                array_values($for),
            ),
        ];
    }
}
