import { TestBed } from '@angular/core/testing';
import { MatIconRegistry } from '@angular/material/icon';
import { BUILDERS } from '@core/loads/registry';
import { firstValueFrom } from 'rxjs';
import { ICONS } from './paths';
import { registerIcons } from './register';

it('every icon is an outline of its own inside its box, known by its name', async () => {
  TestBed.runInInjectionContext(() => registerIcons());
  const registry = TestBed.inject(MatIconRegistry);
  for (const [name, path] of Object.entries(ICONS)) {
    const svg = await firstValueFrom(registry.getNamedSvgIcon(name));
    expect(svg.querySelector('path')!.getAttribute('d')).toBe(path);
    for (const n of path.match(/-?\d+/g)!) expect(Math.abs(Number(n))).toBeLessThanOrEqual(1000);
  }
  expect(new Set(Object.values(ICONS)).size).toBe(Object.keys(ICONS).length);
});

it('every trade has one', () => expect(BUILDERS.filter((b) => !(b.icon in ICONS)).map((b) => b.icon)).toEqual([]));
