<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Console\BadInput;
use HonestCore\Practice\PracticeAudit;
use HonestCore\Practice\PracticeCost;
use HonestCore\Practice\PracticeLevel;
use HonestCore\Practice\PracticeSeason;
use HonestCore\Simulation\Stakes;

final class AuditPractice extends ContractCommand
{
    private const MOST = 10_000;

    private const GROUNDS = 100;

    private const LIME_BELOW = 6.0;

    private const LIMED_TO = 6.5;

    protected $signature = 'practice:audit
        {--seasons=200 : whole seasons of each level}
        {--seed=1 : of the first season; the others follow it}
        {--level= : gentle, usual or hard; all of them where it is left out}
        {--json : print one JSON document}';

    protected $description = 'Play seasons on ground whose truth is known: how often verdicts were true, what careless choices cost';

    /** @throws BadInput */
    protected function facts(): array
    {
        $seasons = $this->count('seasons', self::MOST);
        $seed = $this->count('seed', PHP_INT_MAX >> 8);
        $level = $this->text('level');
        $names = $level === null ? PracticeLevel::names() : [PracticeLevel::named($level)->name];
        $levels = [];
        $stakes = Stakes::of(self::LIME_BELOW, self::LIMED_TO);
        foreach ($names as $name) {
            $level = PracticeLevel::named($name);
            $levels[$name] = $this->audited($level, $seasons, $seed)->toArray() + [
                'careless' => PracticeCost::ofCarelessness($level, $stakes, $seed, min($seasons, self::GROUNDS)),
            ];
        }

        return ['seed' => $seed, 'levels' => $levels];
    }

    private function audited(PracticeLevel $level, int $seasons, int $seed): PracticeAudit
    {
        $audit = new PracticeAudit();
        $bar = $this->getOutput()->getErrorStyle()->createProgressBar($seasons);
        $bar->setFormat("{$level->name}: %current%/%max% [%bar%] %elapsed:6s%, %remaining:6s% left");
        for ($i = 0; $i < $seasons; $i++) {
            $audit->add(PracticeSeason::played($seed + $i, $level));
            $bar->advance();
        }
        $bar->finish();
        $this->getOutput()->getErrorStyle()->newLine();

        return $audit;
    }

    /** @throws BadInput */
    private function count(string $option, int $most): int
    {
        $value = $this->number($option) ?? 0.0;
        if ($value < 1 || $value > $most || floor($value) !== $value) {
            throw BadInput::because("--{$option}", 'it is no whole number in reach', "1 to {$most}");
        }

        return (int) $value;
    }
}
