<?php

declare(strict_types=1);

namespace Tests\Project;

use PHPUnit\Framework\Assert;

/** The texts of this project's own files. */
final class SourceFiles
{
    public const ROOT = __DIR__.'/../..';

    /** @return array<string, string> text by path; what is generated is left out */
    public static function in(string $folder, string $ending): array
    {
        $found = [];
        $all = new \RecursiveDirectoryIterator(self::ROOT."/{$folder}", \FilesystemIterator::SKIP_DOTS);
        foreach (new \RecursiveIteratorIterator($all) as $file) {
            if (
                $file instanceof \SplFileInfo &&
                $file->getExtension() === $ending &&
                ! str_ends_with($file->getFilename(), '.d.ts') &&
                ! str_contains($file->getPathname(), '/cache/')
            ) {
                $path = substr($file->getPathname(), strlen(self::ROOT) + 1);
                $found[$path] = (string) file_get_contents($file->getPathname());
            }
        }
        Assert::assertNotSame([], $found, $folder);

        return $found;
    }
}
