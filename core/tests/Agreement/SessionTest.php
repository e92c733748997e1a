<?php

declare(strict_types=1);

namespace HonestCore\Tests\Agreement;

use HonestCore\Agreement\Session;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\TestCase;

#[CoversClass(Session::class)]
final class SessionTest extends TestCase
{
    public function test_a_run_is_a_session_whoever_read_and_whenever(): void
    {
        self::assertSame(Session::of(7, 'Ada', '2026-09-01', 'A'), Session::of(7, 'Ben', '2026-09-02', 'B'));
        self::assertNotSame(Session::of(7, 'Ada', '2026-09-01', 'A'), Session::of(8, 'Ada', '2026-09-01', 'A'));
    }

    public function test_without_a_run_reader_day_and_lot_make_it(): void
    {
        $one = Session::of(null, 'Ada', '2026-09-01', 'A');
        self::assertSame('Ada, 2026-09-01, lot A', $one);
        self::assertSame('Ada, 2026-09-01', Session::of(null, 'Ada', '2026-09-01', ''));
        foreach ([['Ben', '2026-09-01', 'A'], ['Ada', '2026-09-02', 'A'], ['Ada', '2026-09-01', 'B']] as [$reader, $on, $lot]) {
            self::assertNotSame($one, Session::of(null, $reader, $on, $lot));
        }
    }
}
