<?php

declare(strict_types=1);

namespace HonestCore\FollowUp;

use HonestCore\Error\ValueOutOfRange;
use HonestCore\Quantity\AreaRate;
use HonestCore\Table\Fields;
use HonestCore\Table\Stored;

/**
 * One entry of the spreader's log, as a phone sends it: a line of a program as it was planned, or what was spread else, or an
 * entry taken back.
 *
 * Quantity and unit: the rate in the unit it was written in; days as Y-m-d. `line` names the line of the program that it answers, as
 * the list of lines gave it: what was spread instead may be another product on another part.
 * Domain: an application has its rate; zero is a rate. The day is not in the future. What cannot be taken is refused by itself.
 */
final readonly class SpreadNote implements Stored
{
    private const EARLIEST = '1950-01-01';

    public function __construct(
        public string $uuid,
        public int $areaId,
        public ?int $programId,
        public int $part,
        public string $product,
        public string $what,
        public bool $asPlanned,
        public ?string $line,
        public ?float $amount,
        public string $unit,
        public string $on,
        public string $weather,
        public string $spreadBy,
        public string $note,
        public ?string $takesBack,
    ) {}

    public static function fromRow(array $row): self
    {
        $fields = new Fields($row);

        return new self(
            $fields->text('uuid'),
            $fields->whole('area_id'),
            $fields->wholeOrNull('program_id'),
            $fields->whole('part'),
            $fields->text('product'),
            trim($fields->text('what')),
            $fields->flag('as_planned'),
            $fields->textOrNull('line'),
            $fields->numberOrNull('amount'),
            $fields->text('unit'),
            $fields->text('on'),
            trim($fields->text('weather')),
            trim($fields->text('spread_by')),
            trim($fields->text('note')),
            $fields->textOrNull('takes_back'),
        );
    }

    public function toRow(): array
    {
        return [
            'uuid' => $this->uuid,
            'area_id' => $this->areaId,
            'program_id' => $this->programId,
            'part' => $this->part,
            'product' => $this->product,
            'what' => $this->what,
            'as_planned' => $this->asPlanned,
            'line' => $this->line,
            'amount' => $this->amount,
            'unit' => $this->unit,
            'on' => $this->on,
            'weather' => $this->weather,
            'spread_by' => $this->spreadBy,
            'note' => $this->note,
            'takes_back' => $this->takesBack,
        ];
    }

    /** Why it cannot be taken by what it says alone; null for one that can. */
    public function refusal(string $today): ?string
    {
        if ($this->takesBack !== null) {
            return null;
        }
        $day = \DateTimeImmutable::createFromFormat('!Y-m-d', $this->on);
        if ($day === false || $day->format('Y-m-d') !== $this->on) {
            return "\"{$this->on}\" is no day; accepted is a day such as {$today}.";
        }

        return match (true) {
            $this->on > $today => "{$this->on} lies in the future; accepted is the day it was spread, {$today} at the latest.",
            $this->on < self::EARLIEST => "{$this->on} is too long ago; accepted are days from ".self::EARLIEST.' on.',
            $this->asPlanned => $this->programId === null || $this->line === null ? 'It names no line of a program.' : null,
            $this->what === '' && $this->product === '' => 'Say what was spread: a product of the shelf, or its name.',
            $this->amount === null => 'An application needs its rate, with its unit; 0 where nothing was spread.',
            default => $this->rateRefusal(),
        };
    }

    /** @throws ValueOutOfRange */
    public function lbPerAcre(): float
    {
        return AreaRate::in($this->amount ?? NAN, $this->unit)->lbPerAcre;
    }

    private function rateRefusal(): ?string
    {
        try {
            $this->lbPerAcre();

            return null;
        } catch (ValueOutOfRange $error) {
            return $error->getMessage();
        }
    }
}
