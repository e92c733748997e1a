<?php

declare(strict_types=1);

namespace App\Http;

use App\Backup\BadBackup;
use App\Exceptions\Worded;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** An answer that comes line by line while something takes its time, each line a JSON document. */
final class TellsLines
{
    /**
     * @param \Closure(\Closure(array<string, mixed>): void): void $act is given what tells a line; what it refuses is the last line
     */
    public static function of(\Closure $act): StreamedResponse
    {
        return new StreamedResponse(
            static function () use ($act): void {
                set_time_limit(0);
                try {
                    $act(self::line(...));
                } catch (BadBackup $refused) {
                    self::line(['refused' => $refused->getMessage()]);
                } catch (Worded $refused) {
                    self::line(['refused' => $refused->words()]);
                } catch (\Throwable $failed) {
                    report($failed);
                    self::line(['refused' => 'The server failed. Nothing was saved; try again.']);
                }
            },
            200,
            ['Content-Type' => 'application/x-ndjson', 'X-Accel-Buffering' => 'no'],
        );
    }

    /** @param array<string, mixed> $line */
    private static function line(array $line): void
    {
        echo json_encode($line, JSON_THROW_ON_ERROR), "\n";
        if (ob_get_level() > 0) {
            ob_flush();
        }
        flush();
    }
}
