"""Deflections of a rectangular plate by GetFEM, a general-purpose finite-element library from Debian (python3-getfem).

    apt-get install python3-getfem
    /usr/bin/python3 getfem-plates.py

Kirchhoff-Love plate on Argyris triangles (quintic, C1), 600 x 400 x 5 mm, E 210 000 MPa, nu 0.3, a pressure of 0.05 MPa on the
patch x 120..240, y 80..200 from the lower left corner. Prints w, mm, at five points for three kinds of edge.
"""
import getfem as gf
import numpy as np

A, B, T, E, NU, Q = 600.0, 400.0, 5.0, 210000.0, 0.3, 0.05
D = E * T**3 / (12 * (1 - NU**2))
POINTS = np.array([[180, 140], [300, 200], [420, 200], [180, 280], [480, 80]], float).T


def solve(clamped, free_right):
    # The patch's edges lie on element edges: 30 x 20 squares of 20 mm.
    m = gf.Mesh('triangles grid', np.arange(0, A + 1, 20.0), np.arange(0, B + 1, 20.0))
    mf = gf.MeshFem(m, 1)
    mf.set_fem(gf.Fem('FEM_ARGYRIS'))
    mfd = gf.MeshFem(m, 1)
    mfd.set_fem(gf.Fem('FEM_PK_DISCONTINUOUS(2,2)'))
    mim = gf.MeshIm(m, gf.Integ('IM_TRIANGLE(13)'))
    border = m.outer_faces()
    normals = m.normal_of_faces(border)
    held = np.array([not (free_right and n[0] > 0.9) for n in normals.T])
    m.set_region(1, border[:, held])
    md = gf.Model('real')
    md.add_fem_variable('u', mf)
    md.add_initialized_data('D', [D])
    md.add_initialized_data('nu', [NU])
    md.add_Kirchhoff_Love_plate_brick(mim, 'u', 'D', 'nu')
    xy = mfd.basic_dof_nodes()
    # A degree of freedom belongs to the patch where its element's middle does.
    load = np.zeros(mfd.nbdof())
    for cv in m.cvid():
        mid = m.pts_from_cvid(cv)[0].mean(axis=1)
        if 120 < mid[0] < 240 and 80 < mid[1] < 200:
            load[mfd.basic_dof_from_cvid(cv)[0]] = Q
    md.add_initialized_fem_data('q', mfd, load)
    md.add_source_term_brick(mim, 'u', 'q')
    md.add_Dirichlet_condition_with_penalization(mim, 'u', 1e12, 1)
    if clamped:
        md.add_normal_derivative_Dirichlet_condition_with_penalization(mim, 'u', 1e12, 1)
    md.solve()
    return md.interpolation('u', POINTS, m)


for name, args in (('simple', (False, False)), ('clamped', (True, False)), ('simple, one short edge free', (False, True))):
    print(name, ' '.join('%.5f' % w for w in solve(*args)))
