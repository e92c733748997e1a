<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Console\BadInput;
use HonestCore\Error\CoreError;
use HonestCore\Table\Number;
use Illuminate\Console\Command;
use Symfony\Component\Console\Exception\ExceptionInterface;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\ConsoleOutputInterface;
use Symfony\Component\Console\Output\OutputInterface;

/**
 * A command of the command-line contract: reads a file or options, prints one JSON document or a table of the
 * same facts, and refuses bad input with status 2 and one line on standard error.
 */
abstract class ContractCommand extends Command
{
    private const REFUSED = 2;

    public function run(InputInterface $input, OutputInterface $output): int
    {
        try {
            return parent::run($input, $output);
        } catch (ExceptionInterface|CoreError $error) {
            $line = trim((string) preg_replace('/\s+/', ' ', $error->getMessage()));
            $spoken = $error instanceof CoreError || $error instanceof BadInput;
            $line = $spoken ? $line : rtrim($line, '.')."; accepted is {$this->getSynopsis()}.";
            $to = $output instanceof ConsoleOutputInterface ? $output->getErrorOutput() : $output;
            $to->writeln($line, OutputInterface::OUTPUT_RAW | OutputInterface::VERBOSITY_QUIET);

            return self::REFUSED;
        }
    }

    public function handle(): int
    {
        $facts = $this->facts();
        $this->emit($this->option('json') === true ? self::json($facts) : self::listing($facts));

        return self::SUCCESS;
    }

    /**
     * @return array<string, mixed>
     *
     * @throws CoreError
     */
    abstract protected function facts(): array;

    protected function emit(string $text): void
    {
        $this->output->writeln($text, OutputInterface::OUTPUT_RAW | OutputInterface::VERBOSITY_QUIET);
    }

    /** @param array<string, mixed> $facts */
    protected static function json(array $facts): string
    {
        ini_set('serialize_precision', '-1');
        array_walk_recursive($facts, static function (mixed &$value): void {
            $value = is_float($value) && ! is_finite($value) ? null : $value;
        });

        return json_encode($facts, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);
    }

    /** @throws BadInput */
    protected function file(string $argument): string
    {
        $path = $this->argument($argument);

        return $this->fileOf(strtoupper($argument), is_string($path) ? $path : '');
    }

    /**
     * @param string $name of the argument or option, as a person knows it
     *
     * @throws BadInput
     */
    protected function fileOf(string $name, string $path): string
    {
        $text =
            $path === '-'
                ? stream_get_contents(STDIN)
                : (is_file($path) && is_readable($path)
                    ? file_get_contents($path)
                    : false);

        return $text === false
            ? throw BadInput::because(
                $name,
                "\"{$path}\" cannot be read",
                'the path of a readable file, or - for standard input',
            )
            : $text;
    }

    protected function text(string $option): ?string
    {
        $value = $this->option($option);

        return is_string($value) ? $value : null;
    }

    /** @throws BadInput */
    protected function number(string $option): ?float
    {
        $text = $this->text($option);
        if ($text === null) {
            return null;
        }

        return Number::parse($text) ??
            throw BadInput::because("--{$option}", "\"{$text}\" is not a number", 'a finite number such as 0.25');
    }

    /** @throws BadInput */
    protected function requiredNumber(string $option): float
    {
        return $this->number($option) ??
            throw BadInput::because("--{$option}", 'it is missing', 'a finite number such as 0.25');
    }

    /**
     * A number within bounds, named by its option.
     *
     * @throws BadInput
     */
    protected function within(string $option, float $low, float $high = INF, bool $aboveLow = false): ?float
    {
        $value = $this->number($option);
        if ($value === null || ($value >= $low && $value <= $high && ! ($aboveLow && $value <= $low))) {
            return $value;
        }
        $from = $aboveLow ? "above {$low}" : ($high === INF ? "{$low} or more" : "from {$low}");
        throw BadInput::because(
            "--{$option}",
            $this->text($option).' is out of bounds',
            'a number '.$from.($high === INF ? '' : ($aboveLow ? ", up to {$high}" : " to {$high}")),
        );
    }

    /** @throws BadInput */
    protected function requiredWithin(string $option, float $low, float $high = INF, bool $aboveLow = false): float
    {
        $this->requiredNumber($option);

        return $this->within($option, $low, $high, $aboveLow) ?? NAN;
    }

    /** @throws BadInput */
    protected function confidence(): float
    {
        $value = $this->requiredNumber('confidence');

        return $value > 0 && $value < 1
            ? $value
            : throw BadInput::because('--confidence', "{$value} is none", 'a number between 0 and 1');
    }

    /**
     * One of a few words, or null where none is given.
     *
     * @param list<string> $words
     *
     * @throws BadInput
     */
    protected function oneOf(string $option, array $words): ?string
    {
        $text = $this->text($option);

        return $text === null || in_array($text, $words, true)
            ? $text
            : throw BadInput::because("--{$option}", "\"{$text}\" is none of them", implode(', ', $words));
    }

    /** @throws BadInput */
    protected function whole(string $option): ?int
    {
        $text = $this->text($option);
        if ($text === null) {
            return null;
        }
        $value = filter_var($text, FILTER_VALIDATE_INT);

        return $value === false
            ? throw BadInput::because("--{$option}", "\"{$text}\" is not a whole number", 'a whole number such as 20')
            : $value;
    }

    /**
     * @param array<mixed> $facts
     */
    private static function listing(array $facts): string
    {
        $rows = self::flat($facts, '');
        $width = max([0, ...array_map(strlen(...), array_keys($rows))]);
        $lines = [];
        foreach ($rows as $key => $value) {
            $lines[] = str_pad($key, $width + 2).$value;
        }

        return implode(PHP_EOL, $lines);
    }

    /**
     * @param array<mixed> $facts
     * @return array<string, string>
     */
    private static function flat(array $facts, string $prefix): array
    {
        $rows = [];
        foreach ($facts as $key => $value) {
            $name = $prefix.(is_int($key) ? $key + 1 : $key);
            if (is_array($value) && $value !== []) {
                $rows += self::flat($value, $name.'.');
            } else {
                $rows[$name] = match (true) {
                    $value === null, $value === [] => '–',
                    is_bool($value) => $value ? 'yes' : 'no',
                    is_float($value) && ! is_finite($value) => '–',
                    is_float($value) => (string) json_encode($value),
                    is_scalar($value) => (string) $value,
                    default => '?',
                };
            }
        }

        return $rows;
    }
}
