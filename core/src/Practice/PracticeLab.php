<?php

declare(strict_types=1);

namespace HonestCore\Practice;

/**
 * A lab as labs are: close to the truth, now and then a batch that is shifted, now and then two samples exchanged.
 *
 * Quantity and unit: pH.
 * Source: data/practice.json.
 */
final class PracticeLab
{
    private readonly float $bias;

    public function __construct(private readonly PracticeLevel $level, private readonly Chance $chance)
    {
        $this->bias = $chance->normal(0.0, $level->ofTool('lab', 'bias'));
    }

    /** The lab of a practice ground: a batch is reported alike whenever it is asked for. */
    public static function ofGround(PracticeLevel $level, int $seed): self
    {
        return new self($level, Chance::named($seed, 'lab'));
    }

    /**
     * A batch that was sent together.
     *
     * @param list<float> $ph
     * @param Chance|null $chance the draws of this batch; the lab's own where none are given
     * @return list<float>
     */
    public function report(array $ph, ?Chance $chance = null): array
    {
        $chance ??= $this->chance;
        $shift = $chance->happens($this->level->ofTool('lab', 'shifts'))
            ? $chance->normal(0.0, $this->level->ofTool('lab', 'shift'))
            : 0.0;
        $found = array_map(
            fn (float $true): float => $true + $this->bias + $shift + $chance->normal(0.0, $this->level->ofTool('lab', 'repeat')),
            $ph,
        );
        foreach (array_keys($found) as $i) {
            if ($i > 0 && $chance->happens($this->level->ofTool('lab', 'swaps'))) {
                [$found[$i - 1], $found[$i]] = [$found[$i], $found[$i - 1]];
            }
        }

        return array_values($found);
    }

    /** Standard uncertainty of one result, as the lab would say it of itself: without its shifts and its swaps. */
    public function uncertainty(): float
    {
        return hypot($this->level->ofTool('lab', 'repeat'), $this->level->ofTool('lab', 'bias'));
    }
}
