<?php

declare(strict_types=1);

namespace HonestCore\Sampling;

use HonestCore\Error\BadTable;
use HonestCore\Error\ValueOutOfRange;
use HonestCore\Table\RuleTable;

/**
 * The days of the work, backwards from the one the lime must be on.
 *
 * Quantity and unit: calendar days; the lab's days are working days, Monday to Friday.
 * Source: the table in data/calendar.json where figures are not given.
 */
final readonly class BackwardCalendar
{
    private const LONGEST = 120;

    /**
     * @param non-empty-list<array{code: string, what: string, on: \DateTimeImmutable}> $steps in the order of the work
     */
    private function __construct(
        public array $steps,
        public \DateTimeImmutable $earliestLimeOn,
        private \DateTimeImmutable $today,
    ) {}

    /**
     * @throws BadTable
     * @throws ValueOutOfRange
     */
    public static function before(
        \DateTimeImmutable $limeOn,
        \DateTimeImmutable $today,
        ?int $labDays = null,
        ?int $shippingDays = null,
    ): self {
        /** @var array{lead_days: int, lab_working_days: int, shipping_days: int, drying_days: int} $table */
        $table = RuleTable::named('calendar');
        [$labDays, $shippingDays] = [$labDays ?? $table['lab_working_days'], $shippingDays ?? $table['shipping_days']];
        foreach (
            ['The working days of the lab' => $labDays, 'The days on the way' => $shippingDays] as $name => $days
        ) {
            if ($days < 0 || $days > self::LONGEST) {
                throw new ValueOutOfRange('days_of_the_calendar', [
                    'value' => $days,
                    'name' => $name,
                    'longest' => self::LONGEST,
                ]);
            }
        }
        $report = self::days($limeOn, -$table['lead_days']);
        $arrive = self::workingDays($report, -$labDays);
        $send = self::days($arrive, -$shippingDays);
        $pull = self::days($send, -$table['drying_days']);
        $earliest = self::days(
            self::workingDays(self::days($today, $table['drying_days'] + $shippingDays), $labDays),
            $table['lead_days'],
        );

        return new self(
            [
                ['code' => 'pull', 'what' => 'Pull the cores', 'on' => $pull],
                ['code' => 'send', 'what' => 'Dried and bagged: send to the lab', 'on' => $send],
                ['code' => 'arrive', 'what' => 'At the lab', 'on' => $arrive],
                ['code' => 'report', 'what' => 'Report needed, order the lime', 'on' => $report],
                ['code' => 'lime', 'what' => 'Lime on', 'on' => $limeOn],
            ],
            $earliest,
            $today,
        );
    }

    /** @return list<string> */
    public function warnings(): array
    {
        $pull = $this->steps[0]['on'];
        $lime = $this->steps[count($this->steps) - 1]['on'];
        $month = (int) $lime->format('n');

        return array_keys(
            array_filter([
                "This day cannot be met: the cores would have had to be pulled by {$pull->format(
                    'j M Y',
                )}. The earliest day for the lime is {$this->earliestLimeOn->format('j M Y')}." => $pull < $this->today,
                'Lime needs months to work: spread in spring it does little for this year\'s crop. Autumn leaves it '.
                    'the winter.' => $month >= 3 && $month <= 6,
            ]),
        );
    }

    private static function days(\DateTimeImmutable $from, int $days): \DateTimeImmutable
    {
        return $from->modify(sprintf('%+d days', $days));
    }

    private static function workingDays(\DateTimeImmutable $from, int $days): \DateTimeImmutable
    {
        $step = $days < 0 ? -1 : 1;
        for ($left = abs($days); $left > 0;) {
            $from = self::days($from, $step);
            $left -= (int) $from->format('N') <= 5 ? 1 : 0;
        }

        return $from;
    }
}
