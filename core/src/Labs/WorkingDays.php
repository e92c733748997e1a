<?php

declare(strict_types=1);

namespace HonestCore\Labs;

use HonestCore\Error\ValueOutOfRange;

/**
 * Days on which a lab works: Monday to Friday, its holidays left out.
 *
 * Quantity and unit: calendar dates without a time; counts of working days.
 * Domain: 0 to 400 days ahead; holidays as 2026-04-03.
 */
final readonly class WorkingDays
{
    /** @param array<string, true> $holidays */
    private function __construct(private array $holidays) {}

    /** @param list<string> $holidays */
    public static function without(array $holidays): self
    {
        return new self(array_fill_keys($holidays, true));
    }

    /**
     * The day on which so many working days have passed; the day itself does not count.
     *
     * @throws ValueOutOfRange
     */
    public function after(\DateTimeImmutable $day, int $count): \DateTimeImmutable
    {
        if ($count < 0 || $count > 400) {
            throw new ValueOutOfRange('working_days_ahead', ['value' => $count, 'low' => 0, 'high' => 400]);
        }
        $day = $day->setTime(0, 0);
        for ($left = $count; $left > 0;) {
            $day = $day->modify('+1 day');
            $left -= $this->isWorked($day) ? 1 : 0;
        }

        return $day;
    }

    /** Working days after one day up to another; negative when that lies before it. */
    public function between(\DateTimeImmutable $from, \DateTimeImmutable $to): int
    {
        [$from, $to] = [$from->setTime(0, 0), $to->setTime(0, 0)];
        if ($to < $from) {
            return -$this->between($to, $from);
        }
        for ($count = 0, $day = $from->modify('+1 day'); $day <= $to; $day = $day->modify('+1 day')) {
            $count += $this->isWorked($day) ? 1 : 0;
        }

        return $count;
    }

    private function isWorked(\DateTimeImmutable $day): bool
    {
        return (int) $day->format('N') < 6 && ! isset($this->holidays[$day->format('Y-m-d')]);
    }
}
