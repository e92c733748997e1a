<?php

declare(strict_types=1);

namespace HonestCore\Sampling;

/**
 * Steps of a calendar as a file that calendar programs read: an all-day event each.
 *
 * Source: RFC 5545: CRLF line ends, lines folded at 75 octets, text escaped.
 */
final class ICalendarFile
{
    private const LONGEST_LINE = 75;

    /** @param list<array{code: string, what: string, on: \DateTimeImmutable, days?: int}> $steps a day each, where nothing is said */
    public static function of(string $name, string $uid, array $steps, \DateTimeImmutable $made): string
    {
        $lines = ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//Honest Core//Sampling//EN', 'CALSCALE:GREGORIAN'];
        foreach ($steps as $step) {
            ['code' => $code, 'what' => $what, 'on' => $on] = $step;
            $days = $step['days'] ?? 1;
            array_push(
                $lines,
                'BEGIN:VEVENT',
                "UID:{$uid}-{$code}@honest-core",
                'DTSTAMP:'.$made->setTimezone(new \DateTimeZone('UTC'))->format('Ymd\THis\Z'),
                'DTSTART;VALUE=DATE:'.$on->format('Ymd'),
                'DTEND;VALUE=DATE:'.$on->modify("+{$days} days")->format('Ymd'),
                'SUMMARY:'.self::text("{$what}: {$name}"),
                'END:VEVENT',
            );
        }

        return implode('', array_map(self::fold(...), [...$lines, 'END:VCALENDAR']));
    }

    private static function text(string $text): string
    {
        return str_replace(['\\', ';', ',', "\r", "\n"], ['\\\\', '\;', '\,', '', '\n'], $text);
    }

    private static function fold(string $line): string
    {
        $folded = '';
        $room = self::LONGEST_LINE;
        foreach (mb_str_split($line) as $character) {
            if (strlen($character) > $room) {
                $folded .= "\r\n ";
                $room = self::LONGEST_LINE - 1;
            }
            $folded .= $character;
            $room -= strlen($character);
        }

        return $folded."\r\n";
    }
}
