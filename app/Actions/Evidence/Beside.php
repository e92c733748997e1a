<?php

declare(strict_types=1);

namespace App\Actions\Evidence;

/** What a test is held against: a method, another reader beside one, or what old records say of it. */
final readonly class Beside
{
    /**
     * @param int|null $reference id of the method; null for the one that the analyte is judged by
     * @param string $reader empty where it is no reader
     * @param string $against the reader who stands for the reference
     */
    public function __construct(
        public ?int $reference = null,
        public string $reader = '',
        public string $against = '',
        public bool $isRecords = false,
    ) {}
}
