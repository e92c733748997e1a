<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Console\BadInput;
use HonestCore\Metals\MetalsScreen;

final class ScreenMetalsCommand extends ContractCommand
{
    protected $signature = 'metals:screen
        {file : CSV with a column value in ppm; - for standard input}
        {--limit= : the limit, ppm}
        {--confidence=0.95 : confidence of every bound}
        {--cores=1 : cores in a composite}
        {--background=0 : what the other cores of a composite hold, ppm}
        {--json : print one JSON document}';

    protected $description = 'Is the mean of this ground below a limit?';

    protected function facts(): array
    {
        $limit = $this->requiredWithin('limit', 0, aboveLow: true);
        $cores = $this->whole('cores') ?? 1;
        if ($cores < 1) {
            throw BadInput::because('--cores', "{$cores} is too few", 'a whole number from 1');
        }

        return MetalsScreen::of(
            MetalsScreen::parse($this->file('file')),
            $limit,
            $this->confidence(),
            $cores,
            $this->requiredWithin('background', 0),
        )->toArray();
    }
}
