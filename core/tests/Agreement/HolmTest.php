<?php

declare(strict_types=1);

namespace HonestCore\Tests\Agreement;

use HonestCore\Agreement\ActionLimits;
use HonestCore\Agreement\CostOfTogether;
use HonestCore\Agreement\Holm;
use HonestCore\Agreement\Looking;
use HonestCore\Agreement\Policy;
use HonestCore\Agreement\Scale;
use HonestCore\Tests\Dice;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

#[CoversClass(CostOfTogether::class)]
final class HolmTest extends TestCase
{
    /**
     * R, which(p.adjust(p, "holm") <= 0.05) - 1.
     *
     * @return iterable<array{list<float>, list<int>}>
     */
    public static function risks(): iterable
    {
        yield [[0.004, 0.011, 0.02, 0.03, 0.2], [0, 1]];
        yield [[0.0047, 0.5266, 0.057, 0.0352, 0.2183], [0]];
        yield [[0.2208, 0.0019, 0.0256, 0.1927, 0.2512], [1]];
        yield [[0.1342, 0.1288, 0.1523, 0.173, 0.6538], []];
        yield [[0.5712, 0.0014, 0.3485, 0.7229, 0.0219], [1]];
        yield [[0.0119, 0.0, 0.0021, 0.0008, 0.0133], [0, 1, 2, 3, 4]];
        yield [[], []];
        yield [[0.04], [0]];
    }

    /**
     * @param list<float> $risks
     * @param list<int> $standing
     */
    #[DataProvider('risks')]
    public function test_it_steps_down_as_holm_does(array $risks, array $standing): void
    {
        $found = Holm::of(self::claims($risks), 0.95);

        self::assertEqualsCanonicalizing(array_map(strval(...), $standing), $found->standing);
        foreach (array_keys($risks) as $claim) {
            self::assertSame(in_array($claim, $standing, true), $found->stands((string) $claim));
        }
    }

    public function test_it_says_at_which_confidence_the_rest_was_asked(): void
    {
        $found = Holm::of(self::claims([0.001, 0.03, 0.04]), 0.95);

        self::assertSame([3, 2], [$found->claims, $found->left]);
        self::assertEqualsWithDelta(0.975, $found->confidence, 1e-12);
        self::assertStringContainsString('over the 3 claims', $found->why());
        self::assertStringContainsString('97.5 %', $found->why());
    }

    /** Ten false claims, 4,000 times: one at all stands in 5 % of them at most; alone it would be in 40 %. */
    public function test_one_of_many_false_claims_stands_no_more_often_than_one_alone(): void
    {
        $dice = new Dice(9);
        [$together, $alone] = [0, 0];
        for ($set = 0; $set < 4_000; $set++) {
            $risks = array_map(static fn (): float => $dice->share(), range(1, 10));
            $together += Holm::of(self::claims($risks), 0.95)->standing !== [] ? 1 : 0;
            $alone += min($risks) <= 0.05 ? 1 : 0;
        }

        self::assertLessThanOrEqual(0.055 * 4_000, $together);
        self::assertGreaterThan(0.35 * 4_000, $alone);
    }

    /** 1 - 0.05^(1/n) and 1 - (0.05/6)^(1/n): 14 and 22 clean pairs prove 80 % (first principles). */
    public function test_what_it_costs_in_clean_pairs(): void
    {
        $policy = Policy::of('ph', ActionLimits::of([6.0]), 0.3, 0.5, 0.8, 0.95, Scale::Absolute);
        $cost = CostOfTogether::of(6, $policy);

        self::assertSame([6, 14, 22], [$cost->claims, $cost->alone, $cost->together]);
        self::assertSame([14, 14], [CostOfTogether::of(1, $policy)->alone, CostOfTogether::of(1, $policy)->together]);
        $often = CostOfTogether::of(6, $policy->lookedAt(Looking::Often));
        self::assertSame(20, $often->alone);
        self::assertGreaterThan(22, $often->together);
    }

    /**
     * @param list<float> $risks at which each would stand
     * @return array<callable(float): bool>
     */
    private static function claims(array $risks): array
    {
        $claims = [];
        foreach ($risks as $i => $risk) {
            $claims[(string) $i] = static fn (float $confidence): bool => $risk <= 1 - $confidence + 1e-12;
        }

        return $claims;
    }
}
