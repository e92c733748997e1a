<?php

declare(strict_types=1);

namespace HonestCore\Tests\Agreement;

use HonestCore\Agreement\Band;
use HonestCore\Agreement\PairedSample;
use HonestCore\Agreement\SampleColumns;
use PHPUnit\Framework\TestCase;

final class SampleColumnsTest extends TestCase
{
    public function test_each_sample_comes_out_as_it_went_in_as_often_as_it_is_looked_at(): void
    {
        $low = new Band('Low', 0.0, 6.0);
        $columns = new SampleColumns(
            ['sA' => 0, 's007' => 1, 'sC' => 2],
            [6.1, 5.2, 7.0],
            [6.0, [5.1, 5.3], $low],
            [1 => 'monday'],
        );

        self::assertCount(3, $columns);
        foreach ([1, 2] as $time) {
            self::assertEquals([
                PairedSample::numeric('A', 6.1, [6.0]),
                PairedSample::numeric('007', 5.2, [5.1, 5.3])->inCluster('monday'),
                PairedSample::ordinal('C', 7.0, [$low]),
            ], iterator_to_array($columns->getIterator(), false), "look {$time}");
        }
    }
}
