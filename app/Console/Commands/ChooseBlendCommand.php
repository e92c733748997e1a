<?php

declare(strict_types=1);

namespace App\Console\Commands;

use HonestCore\Blend\Blend;
use HonestCore\Blend\BlendProblem;

final class ChooseBlendCommand extends ContractCommand
{
    protected $signature = 'blend:choose
        {file : JSON with need, never_above and products; - for standard input}
        {--json : print one JSON document}';

    protected $description = 'The mix of products that meets a need without bringing what is not wanted';

    protected function facts(): array
    {
        return Blend::of(BlendProblem::parse($this->file('file')))->toArray();
    }
}
