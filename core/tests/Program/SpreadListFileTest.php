<?php

declare(strict_types=1);

namespace HonestCore\Tests\Program;

use HonestCore\Program\SiteRates;
use HonestCore\Program\SpreadListFile;
use HonestCore\Program\SpreadPart;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\TestCase;

#[CoversClass(SpreadListFile::class)]
#[CoversClass(SpreadPart::class)]
final class SpreadListFileTest extends TestCase
{
    public function test_every_part_says_every_product_and_zero_is_a_rate(): void
    {
        $parts = $this->parts();
        self::assertSame(['limestone-pelleted', 'urea'], array_keys($parts[0]->byProduct()));
        self::assertSame(0.0, $parts[1]->byProduct()['limestone-pelleted']);
        $lines = explode("\r\n", trim(SpreadListFile::csv('Sedge, meadow', $parts)));
        self::assertSame('area,part,label,acres,product,lb_per_acre,kg_per_ha,lb,kg,first_on', $lines[0]);
        self::assertCount(5, $lines);
        self::assertStringContainsString('"Sedge, meadow",2,Part 2,1,Pelleted limestone,0,0,0,0,', $lines[3]);
    }

    public function test_the_map_of_rates_is_what_other_programs_read(): void
    {
        $parts = $this->parts();
        $geo = json_decode(SpreadListFile::geoJson('Sedge', $parts), true);
        self::assertIsArray($geo);
        self::assertIsArray($geo['features']);
        self::assertCount(2, $geo['features']);
        self::assertIsArray($geo['features'][1]);
        self::assertIsArray($geo['features'][1]['properties']);
        self::assertEquals(0.0, $geo['features'][1]['properties']['limestone-pelleted']);
        $kml = simplexml_load_string(SpreadListFile::kml('Sedge & rush', $parts, SiteRates::of('us')));
        self::assertNotFalse($kml);
        self::assertStringContainsString('Sedge & rush, part 1', (string) $kml->Document->Placemark[0]->name);
        self::assertStringContainsString('lb/acre', (string) $kml->asXML());
        $metric = SpreadListFile::kml('Sedge & rush', $parts, SiteRates::of('metric'));
        self::assertStringNotContainsString('acre', $metric);
        self::assertStringContainsString('kg/ha', $metric);
    }

    /** @return list<SpreadPart> */
    private function parts(): array
    {
        $ground = ['geometry' => [
            'type' => 'MultiPolygon',
            'coordinates' => [[[[-76.282, 42.914], [-76.28, 42.914], [-76.28, 42.9155], [-76.282, 42.914]]]],
        ]];
        $choices = ['products' => ['limestone-pelleted', 'urea']];
        $rows = array_map(
            static fn (array $row): array => [...$row, ...$ground, 'label' => "Part {$row['number']}"],
            [
                Made::program(Made::part(more: ['number' => 1]), choices: $choices)->toArray(),
                Made::program(Made::part(6.6, more: ['number' => 2]), choices: $choices)->toArray(),
            ],
        );

        return SpreadPart::all($rows);
    }
}
