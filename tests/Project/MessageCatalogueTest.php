<?php

declare(strict_types=1);

namespace Tests\Project;

use HonestCore\Error\RefusalWords;
use PHPUnit\Framework\TestCase;

final class MessageCatalogueTest extends TestCase
{
    public function test_the_page_of_messages_is_the_catalogue(): void
    {
        $written = (string) file_get_contents(SourceFiles::ROOT.'/docs/messages.md');

        self::assertSame(MessageCatalogue::written(), $written, 'bin/messages writes it anew');
        self::assertGreaterThan(300, preg_match_all('/^- /m', $written));
    }

    public function test_each_refusal_of_the_core_has_its_words_and_the_facts_they_ask_for(): void
    {
        $words = RefusalWords::sentences();
        $seen = 0;
        foreach ([...SourceFiles::in('core/src', 'php'), ...SourceFiles::in('app', 'php')] as $file => $text) {
            if (str_starts_with($file, 'core/src/Error/')) {
                continue;
            }
            foreach (MessageCatalogue::thrown($text) as [$kind, $reasons, $facts]) {
                foreach ($reasons as $reason) {
                    self::assertArrayHasKey($reason, $words[$kind], $file);
                    preg_match_all('/\{(\w+)\}/', $words[$kind][$reason], $asked);
                    self::assertSame([], $facts === null ? [] : array_diff($asked[1], $facts), "{$reason} in {$file}");
                    $seen++;
                }
            }
        }
        self::assertGreaterThan(250, $seen);
    }

    public function test_no_sentence_of_the_catalogue_is_left_over(): void
    {
        $sources = implode('', [...SourceFiles::in('core/src', 'php'), ...SourceFiles::in('app', 'php')]);
        foreach (RefusalWords::sentences() as $kind => $sentences) {
            foreach (array_keys($sentences) as $reason) {
                self::assertStringContainsString("'{$reason}'", $sources, $kind);
            }
        }
    }
}
