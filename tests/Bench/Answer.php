<?php

declare(strict_types=1);

namespace Tests\Bench;

/** What a request was answered with, and after how long. */
final readonly class Answer
{
    public function __construct(public float $milliseconds, public int $status, public string $content) {}

    /** @return array<mixed> */
    public function json(): array
    {
        return (array) json_decode($this->content, true);
    }

    public function compressedBytes(): int
    {
        return strlen((string) gzencode($this->content, 6));
    }
}
