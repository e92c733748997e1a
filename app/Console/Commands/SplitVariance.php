<?php

declare(strict_types=1);

namespace App\Console\Commands;

use HonestCore\Variance\NestedDesign;
use HonestCore\Variance\VarianceSplit;

final class SplitVariance extends ContractCommand
{
    protected $signature = 'variance:split
        {file : CSV with the columns target, sample, analysis, value; - for standard input}
        {--json : print one JSON document}';

    protected $description = 'Share out the spread of duplicate samples and analyses among ground, sampling and '.
        'analysis';

    protected function facts(): array
    {
        return VarianceSplit::of(NestedDesign::parse($this->file('file')))->toArray();
    }
}
