<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Console\BadInput;
use HonestCore\Agreement\Assessment;
use HonestCore\Agreement\Bands;
use HonestCore\Agreement\DefaultPolicy;
use HonestCore\Agreement\EvidenceTable;
use HonestCore\Agreement\Looking;
use HonestCore\Agreement\Scale;
use HonestCore\Table\Number;

final class AssessEvidence extends ContractCommand
{
    protected $signature = 'evidence:assess
        {file : CSV with the columns sample, reference, test and optionally replicate, flag, cluster; - for standard input}
        {--analyte= : analyte code, picks the default policy}
        {--thresholds= : action limits on the reference scale, ascending, such as 6.0,7.3}
        {--allowable= : largest difference that still sizes a rate}
        {--change= : smallest change that tracking must see}
        {--required= : share of samples that must be sorted to the right action}
        {--confidence= : confidence of every bound}
        {--scale= : absolute or ratio}
        {--looks= : once or often}
        {--resolution= : smallest step of the test\'s scale}
        {--u-reference= : standard uncertainty of one reference result}
        {--bands= : for an ordinal test, name:lower:upper parted by commas}
        {--json : print one JSON document}';

    protected $description = 'Judge one test against one reference for one analyte';

    protected function facts(): array
    {
        $analyte =
            $this->text('analyte') ??
            throw BadInput::because('--analyte', 'it is missing', 'an analyte code such as ph');
        $policy = DefaultPolicy::for(
            $analyte,
            $this->thresholds(),
            $this->number('allowable'),
            $this->number('change'),
            $this->number('required'),
            $this->number('confidence'),
            $this->scale(),
        );
        $policy =
            $this->oneOf('looks', ['once', 'often']) === 'often'
                ? $policy->lookedAt(Looking::Often, intervalsToo: false)
                : $policy;
        $resolution = $this->within('resolution', 0, aboveLow: true);
        $policy = $resolution === null ? $policy : $policy->withResolution($resolution);
        $uReference = $this->within('u-reference', 0);
        $notation = $this->text('bands');
        $bands = $notation === null ? null : Bands::parse($notation);
        $table = EvidenceTable::parse($this->file('file'), $policy->scale, $bands);

        return Assessment::of($table->samples, $table->leftOut, $policy, $bands, $uReference)->toArray();
    }

    /**
     * @return list<float>|null
     *
     * @throws BadInput
     */
    private function thresholds(): ?array
    {
        $text = $this->text('thresholds');

        return $text === null
            ? null
            : array_map(
                static fn (string $part): float => Number::parse($part) ??
                    throw BadInput::because(
                        '--thresholds',
                        "\"{$part}\" is not a number",
                        'ascending numbers parted by commas, such as 6.0,7.3',
                    ),
                explode(',', $text),
            );
    }

    /** @throws BadInput */
    private function scale(): ?Scale
    {
        $text = $this->text('scale');

        return $text === null
            ? null
            : Scale::tryFrom($text) ??
                    throw BadInput::because('--scale', "\"{$text}\" is no scale", 'absolute or ratio');
    }
}
