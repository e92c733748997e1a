<?php

declare(strict_types=1);

namespace App\Actions\Reports;

use App\Models\ReportQuestion;

/** A question about a report, who answered it, and the letter to the lab where a recheck is to be ordered by one. */
final readonly class AskedQuestion
{
    /** @param array{to: string, subject: string, text: string}|null $letter */
    private function __construct(public ReportQuestion $question, public ?string $by, public ?array $letter) {}

    public static function of(ReportQuestion $question, ?string $by): self
    {
        return new self($question, $by, $question->answer === 'recheck' ? OrderRecheck::letter($question) : null);
    }
}
