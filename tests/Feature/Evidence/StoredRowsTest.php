<?php

declare(strict_types=1);

namespace Tests\Feature\Evidence;

use App\Casts\AsValues;
use App\Models\TestMethod;
use HonestCore\Agreement\Band;
use HonestCore\Error\BadField;
use Tests\Feature\ApiTestCase;

/** A column of rows never loses one of them unsaid. */
final class StoredRowsTest extends ApiTestCase
{
    public function test_what_is_no_row_is_refused_by_the_name_of_its_column(): void
    {
        $cast = new AsValues(Band::class);
        $row = ['name' => '6.0', 'low' => 5.75, 'high' => 6.25];

        self::assertNull($cast->get(new TestMethod(), 'bands', null, []));
        self::assertCount(1, $cast->get(new TestMethod(), 'bands', json_encode([$row]), []) ?? []);
        foreach (['[null]', '["6.0"]', '"6.0"', json_encode([$row, 7])] as $stored) {
            try {
                $cast->get(new TestMethod(), 'bands', $stored, []);
                self::fail("{$stored} was read.");
            } catch (BadField $refused) {
                self::assertSame('bands', $refused->facts['place']);
            }
        }
    }

    public function test_nothing_is_left_out_when_it_is_written(): void
    {
        $this->expectException(BadField::class);

        (new TestMethod())->setAttribute('bands', [['name' => '6.0', 'low' => 5.75, 'high' => 6.25], 7]);
    }
}
