<?php

declare(strict_types=1);

namespace App\Actions\Prescribe;

use HonestCore\Reckoner\MetricReckoning;
use HonestCore\Reckoner\ReckonerTool;
use Illuminate\Contracts\Console\Kernel;
use Symfony\Component\Console\Output\BufferedOutput;

/**
 * Runs a computation of the command line for the page: the same core, the same words, nothing stored.
 *
 * @phpstan-type Facts array<string, mixed>
 */
final class RunReckoner
{
    public function __construct(private readonly Kernel $console) {}

    /**
     * @param array<string, string> $given by field; those that are empty are not given
     * @return array{refused: string|null, facts: array<array-key, mixed>|null, working: list<string>}
     */
    public function __invoke(ReckonerTool $tool, array $given, bool $isMetric = false): array
    {
        if (! $isMetric) {
            [$refused, $facts] = $this->answer($tool, $given);

            return ['refused' => $refused, 'facts' => $facts, 'working' => $facts === null ? [] : $tool->working($given, $facts)];
        }
        $metric = new MetricReckoning($tool);
        [$refused, $facts] = $this->answer($tool, $metric->given($given));
        if ($facts === null) {
            return ['refused' => $metric->refused((string) $refused, $given), 'facts' => null, 'working' => []];
        }
        /** @var Facts $turned */
        $turned = $metric->turned($facts);

        return ['refused' => null, 'facts' => $metric->named($turned), 'working' => $tool->working($given, $turned, true)];
    }

    /**
     * @param array<string, string> $given in the units of the command
     * @return array{string|null, Facts|null} what it refused, or what it answered
     */
    private function answer(ReckonerTool $tool, array $given): array
    {
        $arguments = ['--json' => true];
        $file = null;
        foreach ($tool->fields() as $field) {
            $value = trim($given[$field['name']] ?? '');
            if ($field['kind'] === 'file') {
                $file = (string) tempnam(sys_get_temp_dir(), 'hc-reckon');
                file_put_contents($file, $value);
                $arguments[$field['name']] = $file;
            } elseif ($field['kind'] === 'argument') {
                $arguments[$field['name']] = $value;
            } elseif ($value !== '') {
                $arguments["--{$field['name']}"] = $value;
            }
        }
        $output = new BufferedOutput();
        try {
            $status = $this->console->call($tool->command(), $arguments, $output);
        } finally {
            if ($file !== null) {
                @unlink($file);
            }
        }
        $said = trim($output->fetch());
        /** @var Facts|null $facts */
        $facts = $status === 0 ? json_decode($said, true) : null;

        return is_array($facts) ? [null, $facts] : [$said, null];
    }
}
