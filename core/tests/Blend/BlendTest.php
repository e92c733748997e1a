<?php

declare(strict_types=1);

namespace HonestCore\Tests\Blend;

use HonestCore\Blend\Blend;
use HonestCore\Blend\BlendProblem;
use HonestCore\Error\CoreError;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Mixes against SciPy's linear programmes (Reference/amounts.py), and what is refused. */
#[CoversClass(BlendProblem::class)]
final class BlendTest extends TestCase
{
    public function test_five_hundred_mixes_reach_what_another_solver_reaches_with_no_more_products(): void
    {
        /**
         * @var array{mixes: list<array{problem: array<string, mixed>, values: array{float, float, float},
         * fewest: int}>} $frozen
         */
        $frozen = json_decode(
            (string) file_get_contents(__DIR__.'/../Reference/amounts.json'),
            true,
            16,
            JSON_THROW_ON_ERROR,
        );
        self::assertCount(500, $frozen['mixes']);
        foreach ($frozen['mixes'] as $i => ['problem' => $problem, 'values' => $values, 'fewest' => $fewest]) {
            $text = json_encode($problem, JSON_THROW_ON_ERROR);
            $parsed = BlendProblem::parse($text);
            /**
             * @var array{products: list<array{name: string, amount: float}>, short: array<string, float>,
             * over: array<string, float>, cost: float} $found
             */
            $found = Blend::of($parsed)->toArray();
            [$short, $over] = [0.0, 0.0];
            foreach ($parsed->need as $nutrient => $need) {
                $short += $need > 0 ? $found['short'][$nutrient] / $need : 0.0;
                $over += $parsed->mayExceed($nutrient) ? $found['over'][$nutrient] / $need : 0.0;
                self::assertTrue(
                    $parsed->mayExceed($nutrient) || $found['over'][$nutrient] <= 1e-6 * max(1.0, $need),
                    "case {$i}: {$nutrient} may not be exceeded",
                );
            }
            self::assertEqualsWithDelta(
                $values,
                [$short, $over, $found['cost']],
                2e-5 * max(1.0, $values[2]),
                "case {$i}: {$text}",
            );
            self::assertSame($fewest, count($found['products']), "case {$i}: {$text}");
            foreach ($parsed->products as $product) {
                $amount = array_column($found['products'], 'amount', 'name')[$product->name] ?? 0.0;
                self::assertLessThanOrEqual(($product->most ?? INF) + 1e-6, $amount, "case {$i}");
            }
        }
    }

    /** 25 lb of nitrogen as 15.5-0-0 are 161.29 lb (common practice). */
    public function test_one_product_is_its_need_by_its_grade(): void
    {
        $found = Blend::of(
            BlendProblem::parse('{"need":{"n":25},"products":[{"name":"nitrate","cost":1,"n":15.5}]}'),
        )->toArray();
        self::assertEqualsWithDelta(161.29, $found['products'][0]['amount'] ?? NAN, 0.005);
        self::assertEqualsWithDelta(161.29, $found['cost'], 0.005);
        self::assertSame([['n' => 0.0], ['n' => 0.0]], [$found['short'], $found['over']]);
    }

    public function test_two_that_cost_the_same_become_one(): void
    {
        $found = Blend::of(
            BlendProblem::parse(
                '{"need":{"n":46},"products":[{"name":"a","cost":0.5,"n":23,"most":100},{"name":"b","cost":1,"n":46}]}',
            ),
        )->toArray();

        self::assertSame(['b'], array_column((array) $found['products'], 'name'));
    }

    /** Ash is cheap and brings phosphate, which may not be brought. */
    public function test_what_is_not_wanted_is_not_brought(): void
    {
        $found = Blend::of(
            BlendProblem::parse(
                '{"need":{"k2o":60,"p2o5":0},"products":[{"name":"ash","cost":0.01,"k2o":5,"p2o5":1.5},'.
                    '{"name":"potash","cost":0.4,"k2o":60}]}',
            ),
        )->toArray();

        self::assertSame([['name' => 'potash', 'amount' => 100.0]], $found['products']);
        self::assertSame(
            [['k2o' => 0.0, 'p2o5' => 0.0], ['k2o' => 60.0, 'p2o5' => 0.0]],
            [
                $found['over'],
                array_intersect_key((array) $found['supplied'], ['k2o' => 0, 'p2o5' => 0]) === [
                    'p2o5' => 0.0,
                    'k2o' => 60.0,
                ]
                    ? ['k2o' => 60.0, 'p2o5' => 0.0]
                    : $found['supplied'],
            ],
        );
    }

    public function test_a_need_that_nothing_meets_is_short_of_all_of_it(): void
    {
        $found = Blend::of(
            BlendProblem::parse('{"need":{"zn":5},"products":[{"name":"urea","cost":0.3,"n":46}]}'),
        )->toArray();

        self::assertSame([[], ['zn' => 5.0], 0], [$found['products'], $found['short'], (int) $found['cost']]);
        self::assertNotSame([], $found['reasons']);
    }

    /** @return iterable<string, array{string, string}> */
    public static function refused(): iterable
    {
        yield 'no JSON' => ['{', 'no JSON'];
        yield 'no need' => ['{"products":[{"name":"a","cost":1}]}', 'no need'];
        yield 'an empty need' => ['{"need":{},"products":[{"name":"a","cost":1}]}', 'no need'];
        yield 'no products' => ['{"need":{"n":1},"products":[]}', 'no products'];
        yield 'no name' => ['{"need":{"n":1},"products":[{"cost":1}]}', 'has no name'];
        yield 'no cost' => ['{"need":{"n":1},"products":[{"name":"a"}]}', 'its cost'];
        yield 'a negative grade' => [
            '{"need":{"n":1},"products":[{"name":"a","cost":1,"n":-1}]}',
            'its n is no number',
        ];
        yield 'a text for a number' => ['{"need":{"n":"1"},"products":[{"name":"a","cost":1}]}', 'the need of n'];
        yield 'more than all of it' => [
            '{"need":{"n":1},"products":[{"name":"a","cost":1,"n":60,"k2o":41}]}',
            'more than 100',
        ];
        yield 'an unknown nutrient' => ['{"need":{"mo":1},"products":[{"name":"a","cost":1}]}', 'is no nutrient'];
        yield 'never above what is not needed' => [
            '{"need":{"n":1},"never_above":["k2o"],"products":[{"name":"a","cost":1}]}',
            'which need does not',
        ];
        yield 'two of one name' => [
            '{"need":{"n":1},"products":[{"name":"a","cost":1},{"name":"a","cost":2}]}',
            'called "a"',
        ];
    }

    #[DataProvider('refused')]
    public function test_it_is_refused_in_words(string $json, string $words): void
    {
        try {
            Blend::of(BlendProblem::parse($json));
            self::fail('It was taken.');
        } catch (CoreError $error) {
            self::assertStringContainsString($words, $error->getMessage());
        }
        self::assertSame(
            [],
            array_filter(
                [
                    Blend::of(
                        BlendProblem::parse(
                            '{"need":{"lime":10},"products":[{"name":"stone","cost":1,"lime":108,"ca":40}]}',
                        ),
                    )->toArray()['reasons'],
                ],
                static fn (mixed $reasons): bool => $reasons !== [],
            ),
            'lime is not counted in the sum',
        );
    }
}
