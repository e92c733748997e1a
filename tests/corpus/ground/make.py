"""Makes the ground files of this folder and truth.json: python3 make.py (needs pyproj, shapely and pyshp).

Areas are geodesic, by pyproj's Geod on WGS 84; other coordinate systems are reached with pyproj (PROJ). No code is shared with
the program. The ground is invented.
"""
import io
import json
import os
import zipfile

import shapefile
from pyproj import CRS, Geod, Transformer
from shapely.geometry import Polygon

HERE = os.path.dirname(os.path.abspath(__file__))
for old in os.listdir(HERE):
    if not old.endswith('.py'):
        os.remove(os.path.join(HERE, old))
GEOD = Geod(ellps='WGS84')
RING = [(-76.2840, 42.9130), (-76.2800, 42.9131), (-76.2798, 42.9165), (-76.2838, 42.9170), (-76.2840, 42.9130)]
HOLE = [(-76.2822, 42.9145), (-76.2815, 42.9145), (-76.2815, 42.9150), (-76.2822, 42.9150), (-76.2822, 42.9145)]
SECOND = [(-76.2780, 42.9130), (-76.2760, 42.9130), (-76.2760, 42.9150), (-76.2780, 42.9150), (-76.2780, 42.9130)]
TRUTH = {}


def m2(ring, *holes):
    return abs(GEOD.geometry_area_perimeter(Polygon(ring))[0]) - sum(m2(hole) for hole in holes)


def put(name, data, areas=None, refused=None, passed=0, first=RING[0], within_m=0.2, notes=None):
    with open(os.path.join(HERE, name), 'wb') as file:
        file.write(data.encode() if isinstance(data, str) else data)
    TRUTH[name] = {'refused': refused} if refused else {'areas': areas, 'passed_over': passed, 'first': first, 'within_m': within_m, 'notes': notes or []}


def feature(ring, name='Low strip', key='name', kind='Polygon', **more):
    return {'type': 'Feature', 'properties': {key: name, **more}, 'geometry': {'type': kind, 'coordinates': ring}}


def collection(*features, **more):
    return json.dumps({'type': 'FeatureCollection', **more, 'features': list(features)})


def to(code, ring, method='epsg'):
    turn = Transformer.from_crs('EPSG:4326', code, always_xy=True)
    return [list(turn.transform(x, y)) for x, y in ring]


ONE = [['Low strip', m2(RING)]]
BOTH = [['Low strip', m2(RING)], ['Bank', m2(SECOND)]]
put('plain.geojson', collection(feature([RING]), feature([SECOND], 'Bank')), BOTH)
put('hole.geojson', collection(feature([RING, HOLE])), [['Low strip', m2(RING, HOLE)]])
put('geometry-alone.geojson', json.dumps({'type': 'Polygon', 'coordinates': [RING]}), [['', m2(RING)]])
put('big-letters.geojson', collection(feature([RING], 'Low strip', 'Name')), ONE)
put('field-name.geojson', collection(feature([RING], 'Low strip', 'FIELD_NAME')), ONE)
put('closed-line.geojson', collection(feature(RING, kind='LineString')), ONE)
put('one-bad-one-good.geojson', collection(feature([RING]), feature([[RING[0], RING[2], RING[1], RING[3], RING[0]]], 'Bow tie'), feature(RING[0], 'Gate', kind='Point')), ONE, passed=2)
put('open-ring.geojson', collection(feature([RING[:-1]])), refused='not closed')
put('collection-of-geometries.geojson', json.dumps({'type': 'Feature', 'properties': {'name': 'Low strip'}, 'geometry': {'type': 'GeometryCollection', 'geometries': [{'type': 'Polygon', 'coordinates': [RING]}]}}), ONE)
put('multipolygon.geojson', collection({'type': 'Feature', 'properties': {'name': 'Both'}, 'geometry': {'type': 'MultiPolygon', 'coordinates': [[RING], [SECOND]]}}), [['Both', m2(RING) + m2(SECOND)]])
put('utf8-mark.geojson', b'\xef\xbb\xbf' + collection(feature([RING])).encode(), ONE)
put('utf16.geojson', collection(feature([RING], 'Côté nord')).encode('utf-16'), [['Côté nord', m2(RING)]])
put('crs84.geojson', collection(feature([RING]), crs={'type': 'name', 'properties': {'name': 'urn:ogc:def:crs:OGC:1.3:CRS84'}}), ONE)
for code, within in (('EPSG:32618', 0.2), ('EPSG:3857', 0.2), ('EPSG:26918', 2), ('EPSG:4267', 15), ('EPSG:26718', 15), ('EPSG:4269', 2)):
    put(f"crs-{code[5:]}.geojson", collection(feature([to(code, RING)]), crs={'type': 'name', 'properties': {'name': f"urn:ogc:def:crs:{code.replace(':', '::')}"}}), ONE, within_m=within, notes=['Turned'] if code not in ('EPSG:4269',) else [])
EUROPE = [(10.010, 51.500), (10.014, 51.500), (10.014, 51.503), (10.010, 51.503), (10.010, 51.500)]
for code, within in (('EPSG:25832', 1), ('EPSG:31467', 6), ('EPSG:2154', 1)):
    ring = EUROPE if code != 'EPSG:2154' else [(x - 8, y - 5) for x, y in EUROPE]
    put(f"crs-{code[5:]}.geojson", collection(feature([to(code, ring)]), crs={'type': 'name', 'properties': {'name': code}}), [['Low strip', m2(ring)]], first=ring[0], within_m=within, notes=['Turned'])
put('crs-not-known.geojson', collection(feature([to('EPSG:2263', RING)]), crs={'type': 'name', 'properties': {'name': 'EPSG:2263'}}), refused='EPSG:2263')
put('metres-without-a-system.geojson', collection(feature([to('EPSG:32618', RING)])), refused='off the globe')
put('topology.json', json.dumps({'type': 'Topology', 'objects': {}, 'arcs': []}), refused='TopoJSON')


def kml(*marks, encoding='UTF-8'):
    return f'<?xml version="1.0" encoding="{encoding}"?><kml xmlns="http://www.opengis.net/kml/2.2"><Document>' + ''.join(marks) + '</Document></kml>'


def mark(ring, name='Low strip', tag='Polygon'):
    corners = ' '.join(f'{x},{y},0' for x, y in ring)
    inside = f'<outerBoundaryIs><LinearRing><coordinates>{corners}</coordinates></LinearRing></outerBoundaryIs>' if tag == 'Polygon' else f'<coordinates>{corners}</coordinates>'
    return f'<Placemark><name>{name}</name><{tag}>{inside}</{tag}></Placemark>'


put('plain.kml', kml(mark(RING), mark(SECOND, 'Bank')), BOTH)
put('closed-path.kml', kml(mark(RING, tag='LineString')), ONE)
put('open-path.kml', kml(mark(RING), mark(RING[:3], 'Track', 'LineString')), ONE, passed=1)
put('latin-1.kml', kml(mark(RING, 'Pré du haut'), encoding='ISO-8859-1').encode('latin-1'), [['Pré du haut', m2(RING)]])
put('utf-16.kml', kml(mark(RING, 'Pré du haut'), encoding='UTF-16').encode('utf-16'), [['Pré du haut', m2(RING)]])
put('bad-tuple.kml', kml(mark(RING), mark(SECOND, 'Bank').replace(f'{SECOND[1][0]},{SECOND[1][1]},0', 'here')), ONE, passed=1)


def zipped(**files):
    held = io.BytesIO()
    with zipfile.ZipFile(held, 'w', zipfile.ZIP_DEFLATED) as archive:
        for name, data in files.items():
            archive.writestr(name.replace('__', '.').replace('_SLASH_', '/'), data)
    return held.getvalue()


put('plain.kmz', zipped(doc__kml=kml(mark(RING)), files_SLASH_icon__png=b'\x89PNG'), ONE, notes=['Unpacked from a KMZ'])
put('no-ground.zip', zipped(readme__txt_file='hello', picture__png=b'\x89PNG'), refused='zip with')
put('a-workbook.xlsx', zipped(xl_SLASH_workbook__xml='<workbook/>'), refused='workbook')


def shapes(code, rings, prj=True, ring_of=to, names=('Low strip', 'Bank')):
    parts = {end: io.BytesIO() for end in ('shp', 'shx', 'dbf')}
    writer = shapefile.Writer(**parts)
    writer.field('NAME', 'C')
    for ring, name in zip(rings, names):
        writer.poly([ring_of(code, ring) if code else ring])
        writer.record(name)
    writer.close()
    files = {f'ground__{end}': part.getvalue() for end, part in parts.items()}
    if prj:
        files['ground__prj'] = CRS.from_user_input(code or 'EPSG:4326').to_wkt('WKT1_ESRI')
    return zipped(**files)


put('shapes-wgs84.zip', shapes(None, [RING, SECOND]), BOTH, notes=['Shapefile'], first=None)
put('shapes-utm.zip', shapes('EPSG:32618', [RING, SECOND]), BOTH, notes=['turned into WGS 84'], first=None)
put('shapes-nad83-utm.zip', shapes('EPSG:26918', [RING]), ONE, notes=['turned into WGS 84'], first=None)
put('shapes-nad27-utm.zip', shapes('EPSG:26718', [RING]), ONE, notes=['mean values'], first=None)
put('shapes-state-plane.zip', shapes('EPSG:2262', [RING]), ONE, notes=['turned into WGS 84'], first=None)
put('shapes-web-mercator.zip', shapes('EPSG:3857', [RING]), ONE, notes=['turned into WGS 84'], first=None)
put('shapes-no-prj-degrees.zip', shapes(None, [RING], prj=False), ONE, notes=['no .prj'], first=None)
put('shapes-no-prj-metres.zip', shapes('EPSG:32618', [RING], prj=False), refused='would be a guess')
alone = io.BytesIO()
writer = shapefile.Writer(shp=alone, shx=io.BytesIO(), dbf=io.BytesIO())
writer.field('NAME', 'C')
writer.poly([RING])
writer.record('x')
writer.close()
put('alone.shp', alone.getvalue(), refused='without its other parts')
put('layer.gpkg', b'SQLite format 3\x00' + b'\x00' * 84, refused='GeoPackage')
put('paper.pdf', b'%PDF-1.7\n', refused='PDF')


def rows(ring, name=None, sep=',', sign=lambda x, y: (x, y)):
    return ''.join(sep.join([*([name] if name else []), *map(str, sign(x, y))]) + '\n' for x, y in ring[:-1])


put('lon-lat.csv', 'lon,lat\n' + rows(RING), [['', m2(RING)]])
put('x-y-names.csv', 'name,x,y\n' + rows(RING, 'Low strip') + rows(SECOND, 'Bank'), BOTH)
put('semicolons.csv', 'area;longitude;latitude\n' + rows(RING, 'Low strip', ';'), ONE)
put('decimal-commas.csv', 'area;longitude;latitude\n' + rows(RING, 'Low strip', ';', lambda x, y: (str(x).replace('.', ','), str(y).replace('.', ','))), ONE)


def dms(value, letters):
    seconds = round(abs(value) * 3600, 3)
    return f"{int(seconds // 3600)}°{int(seconds % 3600 // 60)}'{seconds % 60:.3f}\"{letters[value < 0]}"


put('degrees-minutes-seconds.csv', 'latitude;longitude\n' + ''.join(f"{dms(y, 'NS')};{dms(x, 'EW')}\n" for x, y in RING[:-1]), [['', m2(RING)]])
put('utm.csv', 'x,y\n' + rows(to('EPSG:32618', RING)), refused='no degrees')
put('wkt.csv', 'name;wkt\nLow strip;"POLYGON ((' + ', '.join(f'{x} {y}' for x, y in RING) + '))"\n', ONE)
put('plain.wkt', 'POLYGON ((' + ', '.join(f'{x} {y}' for x, y in RING) + '))\n', [['', m2(RING)]])
put('open-brackets.wkt', 'POLYGON ((' + ', '.join(f'{x} {y}' for x, y in RING) + ')\n', refused='brackets')
put('round.gpx', '<?xml version="1.0"?><gpx xmlns="http://www.topografix.com/GPX/1/1"><trk><name>Low strip</name><trkseg>' + ''.join(f'<trkpt lat="{y}" lon="{x}"/>' for x, y in RING) + '</trkseg></trk></gpx>', ONE)
put('page.html', '<html><body>no ground</body></html>', refused='web page')
put('table.csv', 'place,size\nLow strip,2\n', refused='without columns for longitude')
put('empty.geojson', '', refused='empty')
json.dump(TRUTH, open(os.path.join(HERE, 'truth.json'), 'w'), indent=1, ensure_ascii=False)
print(len(TRUTH))
