<?php

declare(strict_types=1);

namespace App\Actions\FollowUp;

use App\Models\Area;
use App\Models\Control;
use App\Models\SignedProgram;
use HonestCore\FollowUp\GroundAct;
use HonestCore\FollowUp\ProgramAnswer;
use HonestCore\FollowUp\SizedLine;
use HonestCore\FollowUp\TriedProgram;

/** What came of one line of a signed program, with what was spread of it and what it was held against. */
final readonly class AnsweredLine
{
    /**
     * @param non-empty-list<SizedLine> $lines one a part
     * @param list<GroundAct> $acts what was spread of it
     * @param float|null $spreadLb of what the line is of, lb an acre over all of its parts; null where it is not known
     */
    public function __construct(
        public Area $area,
        public SignedProgram $program,
        public string $key,
        public array $lines,
        public ProgramAnswer $answer,
        public ?Control $control,
        public array $acts,
        public ?float $spreadLb,
    ) {}

    public function school(): string
    {
        return $this->lines[0]->expects->school ?? '';
    }

    /** As it counts for its school: answered beside a control, by plain figures; null for one that does not count. */
    public function tried(): ?TriedProgram
    {
        [$response, $expected] = [$this->answer->response, $this->answer->expected];

        return $this->answer->state !== 'answered' || $response === null || $response->control === 0 || $expected === null
            ? null
            : new TriedProgram(
                $this->program->id,
                $this->school(),
                $expected,
                $response->difference,
                $response->se,
                $this->lines[0]->soil,
                $this->program->season,
            );
    }
}
