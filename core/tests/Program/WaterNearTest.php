<?php

declare(strict_types=1);

namespace HonestCore\Tests\Program;

use HonestCore\Program\WaterNear;
use PHPUnit\Framework\TestCase;

final class WaterNearTest extends TestCase
{
    public function test_water_is_known_by_its_word_and_its_distance(): void
    {
        $ground = [
            'type' => 'Polygon',
            'coordinates' => [[[-76.282, 42.914], [-76.28, 42.914], [-76.28, 42.9155], [-76.282, 42.9155], [-76.282, 42.914]]],
        ];
        $line = static fn (float $latitude): array => ['type' => 'LineString', 'coordinates' => [[-76.29, $latitude], [-76.27, $latitude]]];
        $near = static fn (string $name, float $latitude): bool => WaterNear::of(
            $ground,
            [['name' => $name, 'geometry' => $line($latitude)]],
        );
        self::assertTrue($near('Quill Creek', 42.9135));
        self::assertTrue($near('The lower ponds', 42.9135));
        self::assertFalse($near('Hollow Road', 42.9135));
        self::assertFalse($near('Quill Creek', 42.9100));
        self::assertFalse($near('Creekside barn', 42.9135));
    }
}
