<?php

declare(strict_types=1);

namespace HonestCore\Reports;

/** What a question about a report is about. */
enum QuestionKind: string
{
    case Texture = 'texture';
    case Cations = 'cations';
    case Buffer = 'buffer';
    case Organic = 'organic';
    case Range = 'range';
    case History = 'history';
    case Duplicate = 'duplicate';
    case Check = 'check';
    case Shift = 'shift';
    case Swap = 'swap';
    case Unit = 'unit';
    /** Something that the file itself leaves open. */
    case Reading = 'reading';

    /** Does it put its results in doubt, so that they vouch for nothing until somebody has answered? */
    public function isDoubt(): bool
    {
        return match ($this) {
            self::Swap, self::Shift, self::History, self::Range, self::Unit => true,
            default => false,
        };
    }

    /** @return list<self> */
    public static function doubts(): array
    {
        return array_values(array_filter(self::cases(), static fn (self $kind): bool => $kind->isDoubt()));
    }

    /** Is it about all results of its samples, not about single series? */
    public function isOfWholeSamples(): bool
    {
        return $this === self::Swap;
    }
}
