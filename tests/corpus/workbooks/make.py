"""Makes the workbooks of this folder with openpyxl, and truth.json, what each sheet says: python3 make.py. All of it is invented."""
import datetime
import json
import os
import re
import zipfile

from openpyxl import Workbook

HERE = os.path.dirname(os.path.abspath(__file__))
for old in os.listdir(HERE):
    if not old.endswith('.py'):
        os.remove(os.path.join(HERE, old))
TRUTH = {}


def put(name, fill, truth, after=None):
    book = Workbook()
    fill(book)
    path = os.path.join(HERE, name)
    book.save(path)
    if after:
        after(path)
    TRUTH[name] = truth


def rows(sheet, *lines):
    for line in lines:
        sheet.append(list(line))


HEAD = ('Sample ID', 'pH (1:1 water)', 'K (Mehlich-3) ppm')


def plain(book):
    rows(book.active, HEAD, ('A-1', 6.12, 150), ('A-2', 5.9, 98.5))


def several(book):
    book.active.title = 'Read me'
    rows(book.active, ('Results stand on the next sheet',))
    rows(book.create_sheet('Old results'), HEAD, ('Z', 4, 4))
    book['Old results'].sheet_state = 'hidden'
    rows(book.create_sheet('Results'), HEAD, ('A-1', 6.12, 150))
    book.create_sheet('Empty')


def percents(book):
    rows(book.active, ('Sample ID', 'Organic matter', 'pH'), ('A-1', 0.032, 6.1), ('A-2', 0.0415, 6.2))
    for cell in ('B2', 'B3'):
        book.active[cell].number_format = '0.0%'


def formulas(book):
    rows(book.active, HEAD, ('A-1', '=6+0.12', 150))


def merged(book):
    rows(book.active, ('Sample ID', 'Depth', 'pH'), ('A-1', '0-6 in', 6.1), (None, '6-12 in', 6.4), ('A-2', '0-6 in', 5.9), (None, '6-12 in', 6.0))
    book.active.merge_cells('A2:A3')
    book.active.merge_cells('A4:A5')


def dates(book):
    rows(book.active, ('Sample ID', 'Sampled', 'pH', 'P (Olsen) ppm'), ('A-1', datetime.date(2026, 5, 1), 6.1, datetime.date(2026, 5, 1)))


def codes(book):
    rows(book.active, ('Sample ID', 'pH'), ('007', 6.1), ('1E5', 6.2), (42, 6.3), ('00123', 6.4))
    book.active['A4'].number_format = '0000'


def digits(book):
    rows(book.active, ('Sample ID', 'pH'), ('A-1', 6.2000000000000002), ('A-2', 0.1 + 6.0), ('A-3', 6.3))


def errors(book):
    rows(book.active, HEAD, ('A-1', 6.1, '#N/A'))
    book.active['C2'].data_type = 'e'


def gaps(book):
    rows(book.active, ('Marl Laboratory',), (), HEAD)
    book.active['A6'], book.active['B6'], book.active['C6'] = 'A-1', 6.12, 150


def breaks(book):
    rows(book.active, ('Sample ID', 'pH', 'P\n(Mehlich-3)\nppm'), ('A, west "low"', 6.1, 20))


def truths(book):
    rows(book.active, ('Sample ID', 'pH', 'Irrigated'), ('A-1', 6.1, True))


def wide(book):
    rows(book.active, ('Sample ID', *[f'c{i}' for i in range(30)], 'pH'), ('A-1', *[None] * 30, 6.1))


def scientific(book):
    rows(book.active, ('Sample ID', 'Ca (Mehlich-3) ppm', 'Zn (DTPA) ppm'), ('A-1', 123456.75, 0.0000125))


def hidden_rows(book):
    rows(book.active, HEAD, ('A-1', 6.12, 150), ('A-2', 5.9, 98.5))
    book.active.row_dimensions[3].hidden = True


def from_1904(path):
    keep = {}
    with zipfile.ZipFile(path) as archive:
        for name in archive.namelist():
            keep[name] = archive.read(name)
    keep['xl/workbook.xml'] = re.sub(rb'<workbookPr\b[^>]*/>', b'<workbookPr date1904="1"/>', keep['xl/workbook.xml'])
    with zipfile.ZipFile(path, 'w') as archive:
        for name, data in keep.items():
            archive.writestr(name, data)


def shared(path):
    """Texts in a table of their own, one of them in two runs, as most programs write them."""
    keep = {}
    with zipfile.ZipFile(path) as archive:
        for name in archive.namelist():
            keep[name] = archive.read(name)
    texts = []

    def number(found):
        texts.append(found.group(2))
        return f'{found.group(1)} t="s"><v>{len(texts) - 1}</v></c>'

    sheet = re.sub(r'(<c r="\w+"(?: s="\d+")?) t="inlineStr"><is><t>([^<]*)</t></is></c>', number, keep['xl/worksheets/sheet1.xml'].decode())
    keep['xl/worksheets/sheet1.xml'] = sheet.encode()
    runs = [f'<si><r><t xml:space="preserve">{one[:2]}</t></r><r><rPr><b/></rPr><t xml:space="preserve">{one[2:]}</t></r></si>' if i == 0 else f'<si><t>{one}</t></si>' for i, one in enumerate(texts)]
    keep['xl/sharedStrings.xml'] = ('<sst xmlns="http://schemas.openxmlformats.org/spreadsheetml/2006/main">' + ''.join(runs) + '</sst>').encode()
    with zipfile.ZipFile(path, 'w') as archive:
        for name, data in keep.items():
            archive.writestr(name, data)


def prefixed(path):
    """As programs that give every element a prefix write it."""
    keep = {}
    with zipfile.ZipFile(path) as archive:
        for name in archive.namelist():
            keep[name] = archive.read(name)
    for name in [one for one in keep if one in ('xl/worksheets/sheet1.xml', 'xl/sharedStrings.xml', 'xl/workbook.xml')]:
        text = keep[name].decode()
        text = re.sub(r'<(/?)([a-zA-Z]\w*)(?=[\s/>])', r'<\1x:\2', text)
        keep[name] = text.replace('xmlns="http://schemas.openxmlformats.org/spreadsheetml/2006/main"', 'xmlns:x="http://schemas.openxmlformats.org/spreadsheetml/2006/main"').encode()
    with zipfile.ZipFile(path, 'w') as archive:
        for name, data in keep.items():
            archive.writestr(name, data)


PLAIN = {'sheets': ['Sheet'], 'csv': 'Sample ID,pH (1:1 water),K (Mehlich-3) ppm\r\nA-1,6.12,150\r\nA-2,5.9,98.5'}
put('plain.xlsx', plain, PLAIN)
put('prefixed.xlsx', plain, PLAIN, prefixed)
put('shared.xlsx', plain, PLAIN, shared)
put('several.xlsx', several, {'sheets': ['Read me', 'Results', 'Old results (hidden)'], 'csv': 'Results stand on the next sheet'})
put('percents.xlsx', percents, {'sheets': ['Sheet'], 'csv': 'Sample ID,Organic matter,pH\r\nA-1,3.2%,6.1\r\nA-2,4.15%,6.2'})
put('formulas.xlsx', formulas, {'sheets': ['Sheet'], 'refused': 'B2'})
put('merged.xlsx', merged, {'sheets': ['Sheet'], 'csv': 'Sample ID,Depth,pH\r\nA-1,0-6 in,6.1\r\nA-1,6-12 in,6.4\r\nA-2,0-6 in,5.9\r\nA-2,6-12 in,6', 'notes': '2 merged cells'})
put('dates.xlsx', dates, {'sheets': ['Sheet'], 'csv': 'Sample ID,Sampled,pH,P (Olsen) ppm\r\nA-1,2026-05-01,6.1,2026-05-01', 'notes': '2 cells are dates'})
put('dates-1904.xlsx', dates, {'sheets': ['Sheet'], 'csv': 'Sample ID,Sampled,pH,P (Olsen) ppm\r\nA-1,2030-05-02,6.1,2030-05-02'}, from_1904)
put('codes.xlsx', codes, {'sheets': ['Sheet'], 'csv': 'Sample ID,pH\r\n007,6.1\r\n1E5,6.2\r\n0042,6.3\r\n00123,6.4'})
put('digits.xlsx', digits, {'sheets': ['Sheet'], 'csv': 'Sample ID,pH\r\nA-1,6.2\r\nA-2,6.1\r\nA-3,6.3'})
put('errors.xlsx', errors, {'sheets': ['Sheet'], 'csv': 'Sample ID,pH (1:1 water),K (Mehlich-3) ppm\r\nA-1,6.1,#N/A'})
put('gaps.xlsx', gaps, {'sheets': ['Sheet'], 'csv': 'Marl Laboratory,,\r\n\r\nSample ID,pH (1:1 water),K (Mehlich-3) ppm\r\n\r\n\r\nA-1,6.12,150'})
put('breaks.xlsx', breaks, {'sheets': ['Sheet'], 'csv': 'Sample ID,pH,P (Mehlich-3) ppm\r\n"A, west ""low""",6.1,20'})
put('truths.xlsx', truths, {'sheets': ['Sheet'], 'csv': 'Sample ID,pH,Irrigated\r\nA-1,6.1,TRUE'})
put('wide.xlsx', wide, {'sheets': ['Sheet'], 'csv': 'Sample ID,' + ','.join(f'c{i}' for i in range(30)) + ',pH\r\nA-1' + ',' * 31 + '6.1'})
put('scientific.xlsx', scientific, {'sheets': ['Sheet'], 'csv': 'Sample ID,Ca (Mehlich-3) ppm,Zn (DTPA) ppm\r\nA-1,123456.75,0.0000125'})
put('hidden-rows.xlsx', hidden_rows, {**PLAIN, 'notes': '1 hidden rows'})
with open(os.path.join(HERE, 'no-workbook.xlsx'), 'wb') as file:
    file.write(b'PK\x03\x04 broken')
TRUTH['no-workbook.xlsx'] = {'unreadable': 'cannot be unpacked'}
with zipfile.ZipFile(os.path.join(HERE, 'another-zip.xlsx'), 'w') as archive:
    archive.writestr('readme.txt', 'no workbook')
TRUTH['another-zip.xlsx'] = {'unreadable': 'no .xlsx workbook'}
put('nothing.xlsx', lambda book: None, {'unreadable': 'No sheet'})
json.dump(TRUTH, open(os.path.join(HERE, 'truth.json'), 'w'), indent=1, ensure_ascii=False)
print(len(TRUTH))
