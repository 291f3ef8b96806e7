import { expect } from 'chai';
import { renderToStaticMarkup } from 'react-dom/server';
import { SortHead } from '../../../src/islands/shared/sort/SortHead';
import { nextSort } from '../../../src/islands/shared/sort/useSorted';

describe('the head of a column', () => {
  it('sorts up, then down, then not at all; another column begins anew', () => {
    const up = nextSort(null, 'name');
    expect(up).to.deep.equal({ column: 'name', isDown: false });
    const down = nextSort(up, 'name');
    expect(down).to.deep.equal({ column: 'name', isDown: true });
    expect(nextSort(down, 'name')).to.equal(null);
    expect(nextSort<string>(down, 'size')).to.deep.equal({ column: 'size', isDown: false });
  });

  it('tells who listens which column it is, and how', () => {
    const head = (column: string, isDown = false) =>
      renderToStaticMarkup(
        <SortHead sorting={{ by: { column, isDown }, press: () => undefined }} by="name">
          Unit
        </SortHead>,
      );
    expect(head('name')).to.include('aria-sort="ascending"');
    expect(head('name', true)).to.include('aria-sort="descending"');
    expect(head('size')).not.to.include('aria-sort');
  });
});
