<?php

declare(strict_types=1);

namespace App\Console\Commands;

use HonestCore\Sampling\CoresNeeded;

final class CoresNeededCommand extends ContractCommand
{
    protected $signature = 'cores:needed
        {--sd= : standard deviation between cores}
        {--margin= : margin wanted on the mean}
        {--confidence=0.9 : two-sided confidence}
        {--population= : number of possible cores, for small ground}
        {--json : print one JSON document}';

    protected $description = 'How many cores a margin on the mean asks for';

    protected function facts(): array
    {
        $sd = $this->requiredNumber('sd');
        $margin = $this->requiredNumber('margin');
        $confidence = $this->requiredNumber('confidence');

        return [
            'cores' => CoresNeeded::forMargin($sd, $margin, $confidence, $this->whole('population')),
            'margin' => $margin,
            'sd' => $sd,
            'confidence' => $confidence,
        ];
    }
}
