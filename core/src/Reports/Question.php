<?php

declare(strict_types=1);

namespace HonestCore\Reports;

/** Something about a report that a person should look at, in words, with the results it is about. */
final readonly class Question
{
    /**
     * @param list<string> $samples the keys of the samples it is about
     * @param list<string> $series the series it is about
     */
    public function __construct(
        public QuestionKind $kind,
        public string $words,
        public array $samples,
        public array $series,
    ) {}
}
