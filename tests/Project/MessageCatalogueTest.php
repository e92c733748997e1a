<?php

declare(strict_types=1);

namespace Tests\Project;

use PHPUnit\Framework\TestCase;

final class MessageCatalogueTest extends TestCase
{
    public function test_the_catalogue_says_what_the_sources_refuse(): void
    {
        $written = (string) file_get_contents(SourceFiles::ROOT.'/docs/messages.md');

        self::assertSame(MessageCatalogue::ofSources(), $written, 'bin/messages writes it anew');
        self::assertGreaterThan(300, preg_match_all('/^- /m', $written));
    }
}
