<?php

declare(strict_types=1);

namespace HonestCore\Practice;

use HonestCore\Error\ValueOutOfRange;
use HonestCore\Table\Fields;
use HonestCore\Table\RuleTable;

/**
 * A short scenario on the practice ground with one mistake of practice in it: a goal, a hint for who asks, and what the tool says of it.
 *
 * Domain: in the order of the work; the same lesson begins alike for everybody.
 * Source: data/lessons.json.
 */
final readonly class Lesson
{
    /**
     * @param string $stage of the work in which the mistake is made
     * @param list<string> $do what is to be done, in order
     * @param string $asks what is signed at its end: verdict or program
     * @param bool $halves are the two histories two areas from the start
     * @param int|null $cores of a plan that lies there already
     * @param bool $pulled are its composites pulled and waiting
     * @param bool $measured has the lab measured them
     * @param int $pairs of kit and lab from earlier ground
     * @param float|null $miss what the last of them is off by; null where all are as they came
     * @param int $ofNewLot pairs after them that were read with another lot
     * @param float $lotOff what that lot is off by beyond what lots do
     * @param array<string, string> $said what a run says of itself before anybody changes it, by condition
     * @param bool $namelessBuffer does the lab's file not say whose buffer it is
     */
    private function __construct(
        public string $code,
        public string $title,
        public string $stage,
        public string $level,
        public int $seed,
        public string $mistake,
        public string $goal,
        public array $do,
        public string $hint,
        public string $tool,
        public string $asks,
        public bool $halves,
        public ?int $cores,
        public bool $pulled,
        public bool $measured,
        public int $pairs,
        public ?float $miss,
        public int $ofNewLot,
        public float $lotOff,
        public array $said,
        public bool $namelessBuffer,
    ) {}

    /** @return array<string, self> by code, in the order of the work */
    public static function all(): array
    {
        $lessons = [];
        foreach ((new Fields(RuleTable::named('lessons')))->rows('lessons') as $row) {
            $of = new Fields($row);
            $lessons[$of->text('code')] = new self(
                $of->text('code'),
                $of->text('title'),
                $of->text('stage'),
                $of->text('level'),
                $of->whole('seed'),
                $of->text('mistake'),
                $of->text('goal'),
                $of->texts('do'),
                $of->text('hint'),
                $of->text('tool'),
                $of->text('asks'),
                $of->flag('halves', false),
                $of->wholeOrNull('cores'),
                $of->flag('pulled', false),
                $of->flag('measured', false),
                $of->whole('pairs', 0),
                $of->numberOrNull('miss'),
                $of->whole('of_new_lot', 0),
                $of->number('lot_off', 0.0),
                array_map(strval(...), array_filter($of->has('said') ? $of->named('said') : [], is_string(...))),
                $of->flag('nameless_buffer', false),
            );
        }

        return $lessons;
    }

    /** @throws ValueOutOfRange */
    public static function named(string $code): self
    {
        return self::all()[$code] ?? throw new ValueOutOfRange('no_lesson', [
            'name' => mb_substr($code, 0, 30), 'known' => implode(', ', array_keys(self::all())),
        ]);
    }
}
