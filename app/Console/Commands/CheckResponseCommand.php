<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Console\BadInput;
use HonestCore\Response\DressingResponse;
use HonestCore\Response\PlotChanges;

final class CheckResponseCommand extends ContractCommand
{
    protected $signature = 'response:check
        {file : CSV with the columns group, plot, before, after; - for standard input}
        {--expected= : change that was expected}
        {--u= : standard uncertainty of one result, sampling included}
        {--confidence=0.95 : confidence of the interval}
        {--json : print one JSON document}';

    protected $description = 'Did the dressing do what it should?';

    protected function facts(): array
    {
        $expected = $this->number('expected');
        if ($expected === 0.0) {
            throw BadInput::because('--expected', 'it is 0', 'a number other than 0');
        }

        return DressingResponse::of(
            PlotChanges::parse($this->file('file')),
            $expected,
            $this->within('u', 0, aboveLow: true),
            $this->confidence(),
        )->toArray();
    }
}
