<?php

declare(strict_types=1);

namespace Tests\Feature\Console;

use PHPUnit\Framework\TestCase;
use Tests\Support\Command;

/** Seasons without pages, from the command line, with no database. */
final class AuditPracticeTest extends TestCase
{
    public function test_it_plays_seasons_and_says_how_far_it_is(): void
    {
        $run = Command::run(['practice:audit', '--seasons=2', '--seed=5', '--level=gentle', '--json']);
        self::assertSame(0, $run->status, $run->error);
        $it = (array) json_decode($run->output, true, flags: JSON_THROW_ON_ERROR);
        self::assertSame([5, ['gentle']], [$it['seed'], array_keys((array) $it['levels'])]);
        $level = (array) ((array) $it['levels'])['gentle'];
        self::assertSame([2, 72], [$level['seasons'], $level['sure'] + $level['too_close']]);
        self::assertStringContainsString('2/2', $run->error);
        self::assertSame(
            $run->output,
            Command::run(['practice:audit', '--seasons=2', '--seed=5', '--level=gentle', '--json'])->output,
            'the same seed, the same seasons',
        );
        self::assertStringContainsString('levels.gentle.sure', Command::run(['practice:audit', '--seasons=1', '--level=gentle'])->output);
    }

    public function test_bad_input_is_refused_in_one_line(): void
    {
        foreach (['--seasons=0', '--seasons=2.5', '--seasons=many', '--seed=-1', '--level=impossible', '--levels=usual'] as $option) {
            $run = Command::run(['practice:audit', $option]);
            self::assertSame([2, ''], [$run->status, $run->output], $option);
            self::assertSame(1, substr_count(trim($run->error), "\n") + 1, $run->error);
            self::assertMatchesRegularExpression('/accepted (is|are)/', $run->error);
        }
    }
}
