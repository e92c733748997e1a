<?php

declare(strict_types=1);

namespace HonestCore\Tests\Agreement;

use HonestCore\Agreement\ActionLimits;
use HonestCore\Agreement\Call;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** What must hold of every call, whatever value, uncertainty and limits. */
final class CallPropertiesTest extends TestCase
{
    private Randomizer $random;

    protected function setUp(): void
    {
        $this->random = new Randomizer(new Mt19937(11));
    }

    public function test_a_call_that_is_not_too_close_is_the_class_of_the_value(): void
    {
        for ($i = 0; $i < 3000; $i++) {
            $limits = $this->limits();
            [$value, $reach] = [$this->number(0, 12), $this->number(0, 2)];
            $call = Call::ofValue($value, $reach, $limits);
            self::assertContains($limits->classOf($value), $call->classes);
            self::assertSame(
                range($call->classes[0] ?? -1, ($call->classes[0] ?? 0) + count($call->classes) - 1),
                $call->classes,
                'no class is left out between',
            );
            $call->isTooClose() || self::assertSame($limits->classOf($value), $call->class());
        }
    }

    public function test_more_uncertainty_never_makes_a_call_surer(): void
    {
        for ($i = 0; $i < 2000; $i++) {
            $limits = $this->limits();
            [$value, $reach] = [$this->number(0, 12), $this->number(0, 1)];
            $narrow = Call::ofValue($value, $reach, $limits)->classes;
            self::assertSame(
                [],
                array_diff($narrow, Call::ofValue($value, $reach + $this->number(0, 2), $limits)->classes),
            );
        }
    }

    public function test_a_call_is_too_close_exactly_when_a_limit_lies_within_the_reach(): void
    {
        for ($i = 0; $i < 3000; $i++) {
            $limits = $this->limits();
            [$value, $reach] = [$this->number(0, 12), $this->number(0, 2)];
            $within = array_filter(
                $limits->values,
                static fn (float $limit): bool => round($value - $reach, 9) < $limit &&
                    $limit <= round($value + $reach, 9),
            );
            self::assertSame(
                $within !== [],
                Call::ofValue($value, $reach, $limits)->isTooClose(),
                "{$value} ± {$reach}",
            );
        }
    }

    public function test_contradiction_is_mutual_and_never_of_a_result_with_itself(): void
    {
        for ($i = 0; $i < 1000; $i++) {
            $limits = $this->limits();
            $one = Call::ofValue($this->number(0, 12), $this->number(0, 1), $limits);
            $other = Call::ofValue($this->number(0, 12), $this->number(0, 1), $limits);
            self::assertSame($one->contradicts($other), $other->contradicts($one));
            self::assertFalse($one->contradicts($one));
        }
    }

    private function limits(): ActionLimits
    {
        $values = array_map(fn (): float => $this->number(1, 11), range(1, $this->random->getInt(1, 4)));
        $values = array_values(array_unique($values));
        sort($values);

        return ActionLimits::of($values);
    }

    private function number(int $from, int $to): float
    {
        return $this->random->getInt(100 * $from, 100 * $to) / 100;
    }
}
