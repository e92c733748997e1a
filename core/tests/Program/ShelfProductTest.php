<?php

declare(strict_types=1);

namespace HonestCore\Tests\Program;

use HonestCore\Error\CoreError;
use HonestCore\Program\MeasuredAmount;
use HonestCore\Program\ShelfProduct;
use HonestCore\Program\ShoppingList;
use HonestCore\Quantity\AreaRate;
use HonestCore\Quantity\Extent;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

#[CoversClass(ShelfProduct::class)]
#[CoversClass(AreaRate::class)]
#[CoversClass(MeasuredAmount::class)]
#[CoversClass(ShoppingList::class)]
final class ShelfProductTest extends TestCase
{
    public function test_what_ships_is_sound_and_comes_back_from_its_row(): void
    {
        $shipped = ShelfProduct::shipped();
        self::assertGreaterThanOrEqual(20, count($shipped));
        foreach ($shipped as $code => $product) {
            self::assertSame($code, $product->code);
            self::assertNotSame([], $product->cautions(), $code);
            self::assertEquals($product, ShelfProduct::fromRow($product->toRow()), $code);
            self::assertNull($product->price, "{$code}: no price ships");
        }
    }

    /** Common practice: 25 lb N as 15.5-0-0 is 161.29 lb; 20 lb P2O5 as 0-20-0 is 100 lb. */
    public function test_a_nutrient_by_its_grade(): void
    {
        $shipped = ShelfProduct::shipped();
        self::assertSame('15.5-0-0', $shipped['calcium-nitrate']->grade());
        self::assertEqualsWithDelta(161.29, 25 / (($shipped['calcium-nitrate']->grades['n'] ?? NAN) / 100), 0.005);
        self::assertEqualsWithDelta(100.0, 20 / (($shipped['superphosphate']->grades['p2o5'] ?? NAN) / 100), 1e-9);
    }

    /** Exact definitions: 43,560 sq ft, 0.45359237 kg, 4046.8564224 m2, 236.5882365 mL. */
    public function test_amounts_go_round_through_all_units(): void
    {
        $urea = ShelfProduct::fromRow(['price' => 30] + ShelfProduct::shipped()['urea']->toRow());
        $of = MeasuredAmount::of($urea, 120.0, Extent::ofSquareMetres(2.5 * 4046.8564224));
        $all = $of->toArray(bedM2: 100 * 0.09290304);
        self::assertIsArray($all['bed']);
        self::assertEqualsWithDelta(
            [120 / 43.56, 120 / 435.6, 120 * 0.45359237 / 0.40468564224, 300.0, 6.0, 6, 180.0, 120 / 435.6, 100.0],
            [
                $all['lb_per_1000sqft'], $all['lb_per_100sqft'], $all['kg_per_ha'], $all['lb'], $all['bags'], $all['bags_to_buy'],
                $all['cost'], $all['bed']['lb'], $all['bed']['sq_ft'],
            ],
            1e-9,
        );
        self::assertEqualsWithDelta($all['kg'], $all['g_per_m2'] * 2.5 * 4046.8564224 / 1000, 1e-9);
        // A cup of 0.75 g/cm3 holds 236.588 mL of it, 177.4 g.
        self::assertEqualsWithDelta($all['bed']['g'] / (0.75 * 236.5882365), $all['bed']['cups'], 1e-9);
    }

    public function test_twice_the_ground_is_twice_the_bags_and_what_is_not_known_is_null(): void
    {
        $urea = ShelfProduct::shipped()['urea'];
        $one = MeasuredAmount::of($urea, 77.0, Extent::ofSquareMetres(5000));
        $two = MeasuredAmount::of($urea, 77.0, Extent::ofSquareMetres(10_000));
        self::assertEqualsWithDelta(2 * (float) $one->bags(), $two->bags(), 1e-9);
        self::assertNull($two->cost());
        $bulk = MeasuredAmount::of(ShelfProduct::shipped()['limestone-calcitic'], 4000.0, Extent::ofSquareMetres(5000));
        self::assertSame([null, null], [$bulk->bags(), $bulk->bagsToBuy()]);
        $bare = ShelfProduct::fromRow(['density' => null] + $urea->toRow());
        self::assertNull(MeasuredAmount::of($bare, 1.0, Extent::ofSquareMetres(10))->cupsOnBed(9.0));
    }

    public function test_a_shopping_list_rounds_bags_once_for_the_whole_site(): void
    {
        $shelf = ShelfProduct::shipped();
        $shelf['urea'] = ShelfProduct::fromRow(['price' => 30] + $shelf['urea']->toRow());
        $list = ShoppingList::of(
            [
                ['area' => 'Sedge', 'product' => 'urea', 'lb' => 60.0],
                ['area' => 'Alder', 'product' => 'urea', 'lb' => 75.0],
                ['area' => 'Alder', 'product' => 'limestone-calcitic', 'lb' => 3000.0],
            ],
            $shelf,
        );
        self::assertSame(['Ground limestone, calcitic', 'Urea'], array_column($list['lines'], 'name'));
        self::assertSame([null, 3], array_column($list['lines'], 'bags'));
        self::assertSame(90.0, $list['cost']);
        self::assertSame(['Ground limestone, calcitic'], $list['without_price']);
        self::assertNull(ShoppingList::of([['area' => 'Sedge', 'product' => 'gypsum', 'lb' => 1.0]], $shelf)['cost']);
    }

    /** @param array<string, mixed> $row */
    #[DataProvider('odd')]
    public function test_an_odd_product_is_refused_in_words(array $row, string $words): void
    {
        $this->expectException(CoreError::class);
        $this->expectExceptionMessage($words);
        ShelfProduct::fromRow($row + ['name' => 'Fen meal', 'kind' => 'meal', 'grades' => ['n' => 5]]);
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function odd(): iterable
    {
        yield 'no name' => [['name' => ' '], '1 to 80 letters'];
        yield 'a kind that is none' => [['kind' => 'dust'], 'accepted are lime, caustic'];
        yield 'more than all of it' => [['grades' => ['n' => 60, 'k2o' => 50]], 'add up to 110 %'];
        yield 'a grade of letters' => [['grades' => ['n' => '46']], 'its n is no grade'];
        yield 'lime as a grade' => [['grades' => ['lime' => 45]], 'its lime is no grade'];
        yield 'heavier than stone' => [['density' => 7.5], 'from 0.05 to 3 g/cm3'];
        yield 'a bag of nothing' => [['bag_lb' => 0], 'must be above 0'];
        yield 'a price below nothing' => [['price' => -2], 'The price must be above 0'];
        yield 'lime beyond burnt lime' => [['cce' => 400], '180'];
    }
}
