<?php

declare(strict_types=1);

namespace App\Record;

use App\Console\BadInput;
use HonestCore\Error\CoreError;
use HonestCore\Record\ChainHead;
use HonestCore\Table\Fields;

/** Heads of chains as a file: a line of JSON for each team. */
final readonly class KeptHeads
{
    private const MOST_BYTES = 10_000_000;

    /** @param array<int, ChainHead> $heads by team */
    public function __construct(private array $heads) {}

    /** @throws BadInput|CoreError */
    public static function ofFile(string $path): self
    {
        $text = is_file($path) && is_readable($path) && filesize($path) <= self::MOST_BYTES ? file_get_contents($path) : false;
        if ($text === false) {
            throw BadInput::because('--against', "{$path} cannot be read", 'a file that record:head wrote');
        }
        $heads = [];
        foreach (preg_split('/\R/', trim($text)) ?: [] as $i => $line) {
            $row = json_decode($line, true);
            if (! is_array($row)) {
                throw BadInput::because('row '.($i + 1), 'it is no head of a chain', 'a line that record:head wrote');
            }
            $heads[(new Fields($row))->whole('team')] = ChainHead::fromRow($row);
        }

        return new self($heads);
    }

    public function of(int $team): ?ChainHead
    {
        return $this->heads[$team] ?? null;
    }

    /** @return list<int> */
    public function teams(): array
    {
        return array_keys($this->heads);
    }

    public function lines(): string
    {
        $lines = '';
        foreach ($this->heads as $team => $head) {
            $lines .= json_encode(['team' => $team] + $head->toRow(), JSON_THROW_ON_ERROR)."\n";
        }

        return $lines;
    }
}
