<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Console\BadInput;
use HonestCore\Quantity\DepthLayer;
use HonestCore\Reports\ColumnMap;
use HonestCore\Reports\ReportFacts;

final class ReadReportCommand extends ContractCommand
{
    protected $signature = 'report:read
        {file : a lab\'s file: CSV of any shape, an HTML table, or an interchange document; - for standard input}
        {--depth=0-6in : layer of the samples, where the file has no depth of its own}
        {--bulk-density=1.32 : of the soil in g/cm3, for kilograms a hectare}
        {--map= : JSON file of column name to meaning}
        {--json : print one JSON document}';

    protected $description = 'What a lab\'s file says, and what it leaves open';

    protected function facts(): array
    {
        ini_set('memory_limit', '1G');
        $density = $this->requiredNumber('bulk-density');
        if (! ($density >= 0.05 && $density <= 2.65)) {
            throw BadInput::because(
                '--bulk-density',
                "{$density} is no bulk density of soil",
                'from 0.05 to 2.65 g/cm3',
            );
        }
        $map = $this->text('map');

        return ReportFacts::of(
            $this->file('file'),
            DepthLayer::parse((string) $this->text('depth')),
            $density,
            $map === null ? null : ColumnMap::parse($this->fileOf('--map', $map)),
        );
    }
}
