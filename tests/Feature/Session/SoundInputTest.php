<?php

declare(strict_types=1);

namespace Tests\Feature\Session;

use PHPUnit\Framework\Attributes\DataProvider;
use Tests\Feature\ApiTestCase;

/** What no field takes is refused at the door, by its place and before its elements are looked at. */
final class SoundInputTest extends ApiTestCase
{
    #[DataProvider('odd')]
    public function test_it_is_refused_by_its_place(string $method, string $url, string $body, string $place, string $words): void
    {
        $answer = $this->call(
            $method,
            $url,
            server: ['CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json'],
            content: $body,
        )->assertStatus(422);

        self::assertStringContainsString($words, (string) $answer->json("errors.{$place}.0") ?: (string) $answer->getContent());
        self::assertStringContainsString('accepted is', (string) $answer->getContent());
    }

    /** @return iterable<string, array{string, string, string, string, string}> */
    public static function odd(): iterable
    {
        yield 'a list in an address' => ['GET', '/api/search?q[]=1', '', 'q', 'it is a list in the address'];
        yield 'codes of portions as a list' => ['GET', '/api/portions?code[]=1', '', 'code', 'it is a list in the address'];
        yield 'tests of a sheet as a list' => ['GET', '/api/plans/1/sheet?tests[]=1', '', 'tests', 'it is a list'];
        yield 'no letters' => ['GET', '/api/plans/1/sheet?tests=%FF%FE', '', 'tests', 'bytes that are no letters'];
        yield 'more than any number' => ['POST', '/api/policies', '{"change":1e400}', 'change', 'too large for any'];
        yield 'far down' => ['POST', '/api/boundaries/measure', '{"facts":{"a":[1,[-1e400]]}}', 'x', 'facts.a.1.0: the number'];
        yield 'control characters' => ['POST', '/api/sites', '{"name":"a\\u0000b"}', 'name', 'control characters'];
        yield 'control characters in a long text' => [
            'POST',
            '/api/sites',
            '{"name":"'.str_repeat('a', 1500).'\\u0007"}',
            'name',
            'control characters',
        ];
        yield 'too deep' => [
            'POST',
            '/api/boundaries/measure',
            '{"facts":'.str_repeat('[', 40).str_repeat(']', 40).'}',
            'x',
            'lists lie in lists too deep',
        ];
    }

    public function test_a_list_without_end_is_refused_before_its_elements_are_looked_at(): void
    {
        $answer = $this->json('POST', '/api/custody-steps', [
            'entries' => array_fill(0, 16_000, ['uuid' => [], 'sequence' => 'x']),
        ])->assertStatus(422);

        self::assertSame(
            'entries: it has 16000 elements; accepted is up to 5000.',
            $answer->json('errors.entries.0'),
        );
    }

    public function test_ground_with_many_corners_and_rows_left_out_pass_the_door(): void
    {
        $ring = array_map(
            static fn (int $i): array => [-76.28 + 0.001 * cos($i / 1000), 42.91 + 0.001 * sin($i / 1000)],
            range(0, 6_282),
        );
        foreach (
            [
                ['/api/boundaries/measure', ['boundary' => ['type' => 'Polygon', 'coordinates' => [[...$ring, $ring[0]]]]]],
                ['/api/reports', ['skip' => range(1, 20_000)]],
            ] as [$url, $body]
        ) {
            self::assertStringNotContainsString('elements', (string) $this->json('POST', $url, $body)->getContent());
        }
    }
}
